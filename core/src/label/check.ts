import { z } from 'zod';
import { SULPHITES_DECLARED } from './allergens.ts';
import { claimsIn } from './claims.ts';
import type { LabelContent, LabelKitchen } from './content.ts';
import { exemptionOf, exemptions, PRINTED } from './labelling.ts';
import { rulePacks } from './packs.ts';

export const LabelCheck = z.object({
  element: z.string(),
  /** `stops` keeps the lot's label gate shut and refuses the print; `doubtful` is for the maker to settle. */
  state: z.enum(['there', 'doubtful', 'stops']),
  sentence: z.string(),
  rule: z.string(),
});
export type LabelCheck = z.infer<typeof LabelCheck>;

/** What is declared of allergens, and what of it cannot be told from the record. */
function allergenRows(label: LabelContent, rulePack: LabelKitchen['rulePack']): LabelCheck[] {
  const rule = rulePacks[rulePack].allergenRule;
  if (!label.statement)
    return [
      { element: 'Allergens', state: 'stops', sentence: 'Not known while the ingredients are not.', rule },
    ];
  const apart = rulePack === 'eu' && /\p{Lu}{3,}/u.test(label.statement.replace(/^[^:]*:/, ''));
  const said =
    label.allergens ||
    (apart
      ? 'Set apart in the list, in capitals.'
      : 'None of the allergens to declare went in, by the catalogue.');
  const rows: LabelCheck[] =
    label.allergensUnknown.length > 0
      ? [
          {
            element: 'Allergens',
            state: 'stops',
            sentence: `Nobody said which allergens are in ${label.allergensUnknown.join(', ')}: read its pack, and enter it again with what that names.`,
            rule,
          },
        ]
      : [{ element: 'Allergens', state: 'there', sentence: said, rule }];
  if (label.nutsUnnamed)
    rows.push({
      element: 'Kind of nut',
      state: 'doubtful',
      sentence:
        'A nut went in whose kind no name tells: name it in the ingredient’s label name, as in "walnut extract".',
      rule,
    });
  if (label.sulphitesPpm === null || label.sulphitesPpm > 0)
    rows.push({
      element: 'Sulphites',
      state: label.sulphitesPpm === null ? 'doubtful' : 'there',
      sentence:
        label.sulphitesPpm === null
          ? 'Something that went in carries sulphites and how much is not known: they are declared.'
          : `At most ${label.sulphitesPpm.toFixed(label.sulphitesPpm < 20 ? 1 : 0)} mg/kg by what went in: ${label.sulphitesPpm < SULPHITES_DECLARED ? 'under' : 'over'} the ${SULPHITES_DECLARED} mg/kg from which they are declared.`,
      rule,
    });
  return rows;
}

/** Nutrition figures are printed, or the owner says why they need not be. */
function nutritionRow({ rulePack, labelling }: LabelKitchen): LabelCheck {
  const pack = rulePacks[rulePack];
  if (labelling?.nutrition === PRINTED)
    return {
      element: 'Nutrition',
      state: 'there',
      sentence: 'Printed, calculated from the lot as made.',
      rule: pack.source,
    };
  const exempt = labelling && exemptionOf(labelling, rulePack);
  if (exempt)
    return {
      element: 'Nutrition',
      state: 'there',
      sentence: `Not printed, by your own answer: ${exempt.name.toLowerCase()}. ${exempt.asks}`,
      rule: exempt.rule,
    };
  const grounds = exemptions.filter((e) => e.pack === rulePack).map((e) => e.name.toLowerCase());
  return {
    element: 'Nutrition',
    state: 'doubtful',
    sentence: `Not on this label: ${pack.nutrition}. Say in the kitchen’s settings whether one of these holds: ${grounds.join('; ')}.`,
    rule: pack.source,
  };
}

function shareRows(label: LabelContent, rulePack: LabelKitchen['rulePack']): LabelCheck[] {
  if (rulePack === 'us')
    return label.juiceLine
      ? [
          {
            element: 'Juice',
            state: 'there',
            sentence: `${label.juiceLine}, of the drink as it is prepared; calculated from the dissolved solids of the fruit.`,
            rule: '21 CFR 101.30',
          },
        ]
      : [];
  const shares = [...label.statement.matchAll(/([^,:]+?) \(([\d.]+ %)\)/g)].map(
    ([, name, share]) => `${name!.trim()} ${share}`,
  );
  const said = [shares.join(', '), label.fruitPercent].filter(Boolean).join(' ');
  return [
    {
      element: 'Quantity of fruit',
      state: said ? 'there' : 'doubtful',
      sentence: said
        ? `${said}${/[.]$/.test(said) ? '' : '.'} As weighed in, over the product as it came out.`
        : 'No fruit went in: if the name or a picture shows one, its quantity is asked for.',
      rule: 'Reg. 1169/2011, Article 22 and Annex VIII',
    },
  ];
}

/** Alcohol: declared over 1.2 % in Europe; from 0.5 % on it may be regulated as alcohol. */
function alcoholRows(label: LabelContent, rulePack: LabelKitchen['rulePack']): LabelCheck[] {
  const rows: LabelCheck[] = [];
  if (rulePack === 'eu' && label.alcoholLine)
    rows.push({
      element: 'Alcohol',
      state: 'there',
      sentence: `${label.alcoholLine}, in the same field of view as the name and the net contents.`,
      rule: 'Reg. 1169/2011, Articles 9(1)(k), 13(5) and 28',
    });
  if (label.abv >= ABV_REGULATED)
    rows.push({
      element: 'Alcohol rules',
      state: 'doubtful',
      sentence: `${label.abv.toFixed(1)} % ABV by what went in: from ${ABV_REGULATED} % on it may be regulated and taxed as alcohol. Ask your authority before you sell it.`,
      rule: rulePack === 'us' ? '27 CFR 25 and 24; 26 USC 5052' : 'your own excise rule',
    });
  return rows;
}

/** % ABV from which a drink may be regulated as alcohol. */
const ABV_REGULATED = 0.5;

/** Fields of a label that somebody wrote, and what each is called. */
const printedFields = (label: LabelContent): [string, string][] => [
  ['Name', label.name],
  ['Use', label.useLine],
  ['Who', label.whoLine],
  ['Local statement', label.localStatement],
  ...label.vignettes.map((v): [string, string] => ['Vignette', v.text]),
];

/**
 * What a printed field claims, as rows of the check: what the lot speaks against stops the print.
 * @param label as the record has it; @param rule that it is checked by
 * @example claimRows('Name', 'Damson syrup', label, '21 CFR 101') // []
 */
export const claimRows = (element: string, text: string, label: LabelContent, rule: string): LabelCheck[] =>
  claimsIn(text, label).map(({ wrong, sentence }) => ({
    element: 'Claims',
    state: wrong ? 'stops' : 'doubtful',
    sentence: element === 'Name' ? sentence : `${element}: ${sentence}`,
    rule,
  }));

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
  rows.push(...allergenRows(label, kitchen.rulePack));
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
  rows.push(
    nutritionRow(kitchen),
    ...shareRows(label, kitchen.rulePack),
    ...alcoholRows(label, kitchen.rulePack),
  );
  for (const { element, text, rule, from } of label.cautions)
    rows.push({ element, state: 'there', sentence: `${text}. ${from}`, rule });
  for (const [element, text] of printedFields(label))
    rows.push(...claimRows(element, text, label, pack.source));
  return rows;
}

/**
 * What the label gate of a lot waits for, in sentences.
 * @example labelMissing(labelCheck({ ...label, lotLine: '' }, { name: 'Low Bridge', place: 'Upland', rulePack: 'us', localStatement: '' })) // ['No lot code.']
 */
export const labelMissing = (checks: readonly LabelCheck[]): string[] =>
  checks.filter((c) => c.state === 'stops').map((c) => c.sentence);
