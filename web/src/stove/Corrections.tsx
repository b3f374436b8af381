import type { LotView } from '@inch/contract/making/lot';
import type { PanNow } from '@inch/core/lot';
import { acidCorrection } from '@inch/core/pan';
import { weight } from '@inch/core/quantity';
import { Link } from 'react-router';

type Step = LotView['steps'][number];

/** The pH a pan is brought to where the formula names none: what is heat-processed is made to 4.0 or under. */
const USUAL_PH = 4;

function acidWays(
  lot: LotView,
  pan: PanNow,
): { ph: number; to: number; grams: number; first: number } | null {
  const read = lot.readings
    .filter((r) => r.kind === 'ph' && r.struck === null && r.value !== null)
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  if (!read) return null;
  const to = lot.product.content.targets?.ph ?? USUAL_PH;
  try {
    const { grams, firstGrams } = acidCorrection({
      acids: pan.acids,
      waterGrams: pan.grams - pan.solidsGrams,
      ph: read.value!,
      targetPh: to,
      acid: 'citric',
    });
    return { ph: read.value!, to, grams, first: firstGrams };
  } catch {
    return null;
  }
}

/** What to put in to bring this pan, as measured, to its °Bx and its pH: the smallest change first, part of it first. */
export function Corrections({ lot, pan }: { lot: LotView; step: Step; pan: PanNow }) {
  const acid = acidWays(lot, pan);
  const ways = pan.corrections.filter((way) => way.kind === 'sugar' || way.kind === 'boil');
  if (ways.length === 0 && !acid) return null;
  return (
    <details className="mt-3">
      <summary className="flex min-h-14 cursor-pointer items-center text-lg font-semibold text-link">
        What would bring it there?
      </summary>
      <ul className="mt-1 grid gap-2 text-lg">
        {ways.map((way) => (
          <li key={way.kind}>
            {way.kind === 'boil' ? (
              <>
                Boil off <strong className="figure">{weight(way.grams)}</strong> of water; it then weighs{' '}
                <span className="figure">{weight(way.leaves)}</span>.
              </>
            ) : (
              <>
                Or put in <strong className="figure">{weight(way.grams)}</strong> of sugar:{' '}
                <span className="figure">{weight(way.firstGrams)}</span> first, dissolve, and read again.
              </>
            )}
          </li>
        ))}
        {acid && (
          <li>
            {acid.grams === 0 ? (
              <>
                pH <span className="figure">{acid.ph.toFixed(2)}</span> is at or under{' '}
                <span className="figure">{acid.to}</span>: no acid is wanted.
              </>
            ) : (
              <>
                From pH <span className="figure">{acid.ph.toFixed(2)}</span> to{' '}
                <span className="figure">{acid.to}</span>: about{' '}
                <strong className="figure">{weight(acid.grams)}</strong> citric acid by the acids that went
                in; <span className="figure">{weight(acid.first)}</span> first. A{' '}
                <Link to="/bench/trial" className="text-link underline">
                  bench trial
                </Link>{' '}
                is surer.
              </>
            )}
          </li>
        )}
      </ul>
    </details>
  );
}
