import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LabelView } from '@inch/contract/making/label';
import { dayOf } from '@inch/core/calendar';
import type { LabelDesign } from '@inch/core/label';
import {
  type Artwork,
  type ArtworkOf,
  claimRows,
  differencesFromFormula,
  facesOf,
  labelArtwork,
  leastText,
  lotNutrition,
  netContentsHeight,
  netWeight,
  PRINTED,
  secondWords,
  sizeThatFits,
  X_HEIGHT,
} from '@inch/core/label';
import { productOf, standing } from '@inch/core/lot';
import { availableOf, LABELS } from '@inch/core/stock';
import { containersOf } from '../container/routes.ts';
import type { Database } from '../database/pool.ts';
import type { StoredLot } from '../lot/store.ts';
import { judgeLot } from '../lot/view.ts';
import { stockOf } from '../stock/store.ts';
import { designOf } from './design.ts';
import { measureText } from './typeface.ts';

/** A container as a label is fitted to it where nobody has filled one yet: a half-pint jar. */
const USUAL = { nominalMl: 237, heightMm: 98, diameterMm: 75 };

/** What a label is drawn from. */
export const artworkOf = (
  view: Omit<LabelView, 'printable' | 'refusal'>,
  design: LabelDesign,
): ArtworkOf => ({
  label: view.content,
  second: view.second,
  design,
  pack: view.rulePack,
  nutrition: view.nutritionPrinted ? view.nutrition : null,
  netHeightMm: view.netHeightMm,
  leastXMm: view.leastXMm,
  allCm2: view.allCm2,
  principalCm2: view.principalCm2,
});

/** A label as it is drawn on paper. */
export const drawnLabel = (view: Omit<LabelView, 'printable' | 'refusal'>): Artwork =>
  labelArtwork(artworkOf(view, view.design), measureText);

/** Why a label is not printed at all; null where it may be. */
function refusalOf(lot: StoredLot, view: Omit<LabelView, 'printable' | 'refusal'>): string | null {
  if (['held', 'discarded', 'recalled'].includes(lot.state))
    return `Lot ${lot.code} is ${lot.state}: its label is not printed.`;
  const stops = view.checks.filter((c) => c.state === 'stops').map((c) => c.sentence);
  const wrong = [...stops, ...drawnLabel(view).problems];
  return wrong.length > 0 ? wrong.join(' ') : null;
}

type Check = LabelView['checks'][number];

/** The second language: whole, or not at all. */
function secondChecks(
  lot: StoredLot,
  kitchen: Kitchen,
  design: LabelDesign,
): { second: LabelView['second']; checks: Check[] } {
  const language = kitchen.labelling.second;
  if (language === null || language === 'en') return { second: null, checks: [] };
  const { keeping, label } = judgeLot(lot, kitchen);
  const own = design.second ?? { name: '', use: '' };
  const asBegun = { ...kitchen, rulePack: lot.rulePack };
  const { content, unnamed } = secondWords(lot, keeping, asBegun, language, own);
  const lacks = [
    ...(own.name ? [] : ['the name of the product']),
    ...(lot.product.content.dilution && !own.use ? ['how it is used'] : []),
    ...(unnamed.length > 0 ? [`the ingredients ${unnamed.map((u) => u.name).join(', ')}`] : []),
  ];
  return {
    second: content,
    checks: [
      ...claimRows('Name in the second language', own.name, label.content, 'the same in every language'),
      ...claimRows('Use in the second language', own.use, label.content, 'the same in every language'),
      {
        element: 'Second language',
        state: lacks.length > 0 ? 'stops' : 'there',
        sentence:
          lacks.length > 0
            ? `Not yet written in the second language: ${lacks.join('; ')}.`
            : 'Everything that the label says is there in the second language as well.',
        rule: 'Reg. 1169/2011, Article 15; your own local rule',
      },
    ],
  };
}

/** A label that is larger than the container's wall would run over its shoulder, or over itself. */
function roomCheck(design: LabelDesign, container: NonNullable<LabelView['container']>): Check[] {
  const { wallMm, aroundMm } = facesOf(container);
  if (design.look === 'lid' || design.look === 'tag') return [];
  const high = design.heightMm > wallMm + 0.5;
  const wide = design.widthMm > aroundMm + 0.5;
  if (!high && !wide) return [];
  const measured = container.wallMm === null ? 'about ' : '';
  return [
    {
      element: 'Room on the container',
      state: 'doubtful',
      sentence: `The label is ${design.widthMm} × ${design.heightMm} mm; ${container.name} has ${measured}${Math.round(wallMm)} mm of straight wall and ${Math.round(aroundMm)} mm round it. Hold a printed one against it${container.wallMm === null ? ', and write its wall down in the kitchen’s settings' : ''}.`,
      rule: 'the container',
    },
  ];
}

/** Blank labels in stock. */
async function blanksOf(db: Database, kitchen: Kitchen): Promise<number> {
  const day = dayOf(new Date().toISOString(), kitchen.timeZone);
  const stock = await stockOf(db, kitchen.id, day, { things: [LABELS.thing], inStock: true });
  return Math.floor(availableOf(stock, LABELS.thing, day));
}

/** The words of a label with the net contents as the product is sold: by volume, or by weight. */
function sold<L extends LabelView['content']>(label: L, lot: StoredLot, { byWeight }: LabelDesign): L {
  if (!byWeight || label.nominalMl === 0) return label;
  const { grams, millilitres } = productOf(lot);
  return { ...label, netContents: netWeight((label.nominalMl * grams) / millilitres, lot.rulePack) };
}

/** The label of a lot as made: its words, what the rules ask of it, and how it is drawn. */
export async function labelOf(db: Database, lot: StoredLot, kitchen: Kitchen): Promise<LabelView> {
  const { label } = judgeLot(lot, kitchen);
  const bottle = standing(lot.bottlings).at(-1);
  const container = (await containersOf(db, kitchen.id)).find((c) => c.id === bottle?.containerId) ?? null;
  const { design, revision } = await designOf(db, kitchen.id, lot.product.formulaId, container);
  const faced = container ?? USUAL;
  const text = leastText(lot.rulePack, faced);
  const { allCm2, principalCm2 } = facesOf(faced);
  const { second, checks } = secondChecks(lot, kitchen, design);
  const drawn = {
    content: sold(label.content, lot, design),
    second: second && sold(second, lot, design),
    design,
    revision,
    container,
    netHeightMm: netContentsHeight(lot.rulePack, faced),
    leastXMm: text.xHeightMm,
    allCm2,
    principalCm2,
    rulePack: lot.rulePack,
    differences: differencesFromFormula(lot, lot.cupSchool),
    nutrition: lotNutrition(lot, lot.cupSchool),
    nutritionPrinted: kitchen.labelling.nutrition === PRINTED,
    blanks: await blanksOf(db, kitchen),
    checks: [...label.checks, ...checks],
  };
  // A label that nobody has drawn yet takes the size that its words need.
  const needs = revision === 0 ? sizeThatFits(artworkOf(drawn, design), measureText) : null;
  if (needs) drawn.design = { ...design, ...needs };
  const { problems, sizeMm } = drawnLabel(drawn);
  const fit: Check = {
    element: 'Type size',
    state: problems.length > 0 ? 'stops' : 'there',
    sentence:
      problems.join(' ') ||
      `Small letters are ${(sizeMm * X_HEIGHT).toFixed(1)} mm high, at least ${text.xHeightMm.toFixed(1)} mm are asked for on this container; the net contents at least ${drawn.netHeightMm.toFixed(1)} mm.`,
    rule: text.rule,
  };
  const refusal = refusalOf(lot, drawn);
  const room = container ? roomCheck(drawn.design, container) : [];
  return { ...drawn, checks: [...drawn.checks, fit, ...room], printable: refusal === null, refusal };
}
