import type { LabelContent } from '../content.ts';
import { CAPITAL } from './art.ts';
import type { Block, Run } from './flow.ts';

const words = (
  text: string,
  called: string,
  more: { bold?: boolean; boxed?: boolean; sizeMm?: number } = {},
): Block[] =>
  text === ''
    ? []
    : [
        {
          kind: 'words',
          of: 'body',
          called,
          runs: [{ text, bold: more.bold ?? false }],
          ...(more.boxed ? { boxed: true } : {}),
          ...(more.sizeMm === undefined ? {} : { sizeMm: more.sizeMm }),
        },
      ];

const CAPITALS = /^[^\p{L}]*\p{Lu}{2,}[^\p{Ll}]*$/u;

/** Words in capitals are bold as well: the allergens of a European list. The heading is no allergen. */
function statementRuns(statement: string): Run[] {
  const [heading = '', ...list] = statement.split(/(?<=:) /);
  return [
    { text: heading, bold: true },
    ...list
      .join(' ')
      .split(/\s+/)
      .map((word) => ({ text: word, bold: CAPITALS.test(word) })),
  ];
}

function spoken(label: LabelContent, useHere: boolean): Block[] {
  return [
    ...words(useHere ? label.useLine : '', 'how it is used'),
    ...words(label.fruitPercent, 'the quantity of fruit'),
    ...words(label.juiceLine, 'the juice', { bold: true }),
    ...(label.statement
      ? [
          {
            kind: 'words' as const,
            of: 'body' as const,
            called: 'the ingredient list',
            runs: statementRuns(label.statement),
          },
        ]
      : []),
    ...words(label.allergens, 'the allergens', { bold: true }),
    ...label.cautions.flatMap((c) => words(`${c.text}.`, 'the cautions', { bold: true })),
    ...words(label.keepLine, 'the keeping words'),
    ...words(label.warning, 'the warning', { bold: true, boxed: true }),
    ...words(label.infantLine, 'the words about infants', { bold: true }),
  ];
}

/** Everything that a label has to say besides its front, in the order it is printed. */
export function bodyBlocks(
  label: LabelContent,
  second: LabelContent | null,
  { useHere }: { useHere: boolean },
): Block[] {
  return [
    ...spoken(label, useHere),
    ...(second
      ? [...words(second.name, 'the name in the second language', { bold: true }), ...spoken(second, true)]
      : []),
    ...words(label.localStatement, 'the local statement'),
    ...label.vignettes.flatMap((v) =>
      words(
        v.text,
        'a local statement of its own size',
        v.typeMm === null ? {} : { sizeMm: v.typeMm / CAPITAL },
      ),
    ),
    ...words(label.whoLine, 'name and place'),
  ];
}
