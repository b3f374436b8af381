import { type KitchenCatalogue, namedIn } from '../ingredient/index.ts';
import { amountAtHead, askOf, type CupSchool, parseQuantity, toGrams } from '../quantity/index.ts';

/** Something that went in, as it was said: how much, and of what. */
export interface Addition {
  said: string;
  words: string;
}

const ADD = /^(?:add(?:ed)?|put in|went in|plus|in goes?)\s+(.+)$/i;
const NO_MEASURES: ReadonlySet<string> = new Set();

/** "add 12 g citric" as an amount and the words of what it is of; null where it says no such thing. */
export function additionIn(rest: string): Addition | null {
  const match = ADD.exec(rest);
  const amount = match && amountAtHead(match[1]!, NO_MEASURES);
  // "a bit more" is no amount.
  const measured = amount && amount.rest !== '' && !/^an?$/i.test(amount.said);
  return measured ? { said: amount.said, words: amount.rest } : null;
}

/** "14 x 250 ml" said as what it is: bottles are counted where their closing and place are asked. */
export function bottlesIn(rest: string): string | null {
  const match =
    /^(\d+)\s*(?:x|×|by|times|bottles? of|jars? of)\s*(\d+(?:[.,]\d+)?)\s*(ml|millilit(?:re|er)s?|cl|l|lit(?:re|er)s?)?$/i.exec(
      rest,
    );
  if (!match) return null;
  const size = Number(match[2]!.replace(',', '.'));
  const unit = (match[3] ?? 'ml').toLowerCase();
  const ml = unit === 'cl' ? size * 10 : unit.startsWith('l') ? size * 1000 : size;
  return `${match[1]} bottles of ${ml} mL. Count them under Bottling as well: a note fills none`;
}

export interface JotWeighing {
  catalogue: KitchenCatalogue;
  cup: CupSchool | undefined;
}

/**
 * A jotted addition weighed: which ingredient its words name, and its grams.
 * @param addition from a jotting; @param weighing the kitchen's catalogue and cups
 * @returns the ingredient's id and grams, or the question it leaves open; never throws
 * @example weighedAddition({ said: '50 g', words: 'sugar' }, { catalogue, cup: 'us' }) // { ingredientId: 'sugar', name: 'Sugar, white', grams: 50 }
 */
export function weighedAddition(
  addition: Addition,
  weighing: JotWeighing,
): { ingredientId: string; name: string; grams: number } | { asks: string } {
  const { entry, others } = namedIn(addition.words, weighing.catalogue);
  if (!entry)
    return {
      asks:
        others.length > 0
          ? `Which is meant by "${addition.words}": ${others.map((o) => o.name.toLowerCase()).join(', ')}?`
          : `"${addition.words}" is not in the catalogue.`,
    };
  try {
    const quantity = parseQuantity(addition.said, weighing.cup ? { cup: weighing.cup } : {});
    const asks = askOf(quantity);
    if (asks) return { asks };
    const { grams } = toGrams(quantity, entry, { cup: weighing.cup, measures: weighing.catalogue.measures });
    return grams > 0
      ? { ingredientId: entry.id, name: entry.name, grams }
      : { asks: 'An amount has to be over 0.' };
  } catch (error) {
    return { asks: (error as Error).message };
  }
}
