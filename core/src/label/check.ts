import type { LabelContent, LabelKitchen } from './content.ts';
import { rulePacks } from './packs.ts';

export interface LabelCheck {
  element: string;
  /** `stops` keeps the lot's label gate shut and refuses the print; `doubtful` is for the maker to settle. */
  state: 'there' | 'doubtful' | 'stops';
  sentence: string;
  rule: string;
}

const HEALTH_WORDS =
  /\b(cures?|for colds|immun\w*|detox\w*|digesti\w*|medicin\w*|heal(?:s|ing)?|no preservatives)\b/i;

/**
 * Every element a label must have, with what is there, doubtful or missing, and the rule it comes from.
 * @example labelCheck(label, { name: 'Low Bridge', place: 'Upland', rulePack: 'us', localStatement: '' }).length > 5 // true
 */
export function labelCheck(label: LabelContent, kitchen: LabelKitchen): LabelCheck[] {
  const pack = rulePacks[kitchen.rulePack];
  const rows: LabelCheck[] = [];
  const need = (element: string, text: string, missing: string, rule: string) =>
    rows.push({ element, state: text ? 'there' : 'stops', sentence: text || missing, rule });
  need('Name', label.name, 'The product has no name.', pack.source);
  need(
    'Ingredients',
    label.statement,
    'Nothing is recorded as in, so there is no ingredient list.',
    pack.source,
  );
  rows.push({
    element: 'Allergens',
    state: label.statement ? 'there' : 'stops',
    sentence: label.statement
      ? label.allergens || 'None of the allergens to declare went in, by the catalogue.'
      : 'Not known while the ingredients are not.',
    rule: pack.allergenRule,
  });
  need(
    'Net contents',
    label.netContents,
    'No bottles are counted, so there are no net contents.',
    pack.netRule,
  );
  need('Date', label.dateLine, 'There is no date: nothing preserves it yet.', 'keeping table');
  need('Keeping', label.keepLine, 'Nor are there keeping words.', 'keeping table');
  need('Lot', label.lotLine, 'No lot code.', pack.source);
  need(
    'Who',
    kitchen.place ? label.whoLine : '',
    'Add the place of business in the kitchen’s settings.',
    kitchen.rulePack === 'us' ? '21 CFR 101.5' : 'Reg. 1169/2011, Article 9(1)(h)',
  );
  if (/\bhoney\b/i.test(label.statement))
    need(
      'Infants',
      label.infantLine,
      'Honey went in, and the label does not say that it is not for infants.',
      'rules of honey',
    );
  rows.push({
    element: 'Local statement',
    state: label.localStatement ? 'there' : 'doubtful',
    sentence:
      label.localStatement ||
      'Many local rules ask for a home-kitchen statement, word for word. Put yours in the kitchen’s settings.',
    rule: 'your own local rule',
  });
  rows.push({
    element: 'Nutrition',
    state: 'doubtful',
    sentence: `Not on this label: ${pack.nutrition}.`,
    rule: pack.source,
  });
  const claim = HEALTH_WORDS.exec(`${label.name} ${label.useLine}`);
  if (claim)
    rows.push({
      element: 'Claims',
      state: 'doubtful',
      sentence: `"${claim[0]}" claims health, and such claims are not yours to make.`,
      rule: pack.source,
    });
  return rows;
}

/**
 * What the label gate of a lot waits for, in sentences.
 * @example labelMissing(labelCheck({ ...label, lotLine: '' }, { name: 'Low Bridge', place: 'Upland', rulePack: 'us', localStatement: '' })) // ['No lot code.']
 */
export const labelMissing = (checks: readonly LabelCheck[]): string[] =>
  checks.filter((c) => c.state === 'stops').map((c) => c.sentence);
