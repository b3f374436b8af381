export { asDrawn, type OwnOfStock } from './asDrawn.ts';
export { availableOf, type Cover, coverFrom, fitLots, type Withdrawal } from './cover.ts';
export {
  costOfPart,
  leftOf,
  type PaidLot,
  StockKind,
  StockLot,
  stockCode,
  Taking,
  type TakingKind,
  unitCost,
  whyUnfit,
} from './lot.ts';
export { LABELS, type Packaging, type PackedIn, packagingFor, packagingOf } from './packaging.ts';
