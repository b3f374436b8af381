export { asDrawn, type OwnOfStock } from './asDrawn.ts';
export { availableOf, type Cover, coverFrom, fitLots, type Withdrawal } from './cover.ts';
export { leftOf, type StockKind, type StockLot, type Taking, type TakingKind, whyUnfit } from './lot.ts';
export { LABELS, type Packaging, type PackedIn, packagingFor, packagingOf } from './packaging.ts';
