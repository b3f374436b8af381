import type { LotView } from '@inch/contract/making/lot';
import { plural } from '@inch/core/quantity';
import { Link } from 'react-router';
import { dayMonthYear } from '../../ui/dates.ts';
import { Caution } from '../../ui/State.tsx';

/** On every page of a lot that is called back: that it is, since when and why, and what is to be done. */
export function Stopped({
  lot,
  onRecord = false,
}: {
  lot: Pick<LotView, 'state' | 'code' | 'decisions' | 'bottles' | 'stopped'>;
  /** On its record, where who has its bottles stands. */
  onRecord?: boolean;
}) {
  if (lot.state !== 'recalled' && lot.stopped.length > 0)
    return (
      <Caution tone="stop" className="my-4">
        Nothing of it leaves the kitchen: {lot.stopped.join('; ')}.
      </Caution>
    );
  if (lot.state !== 'recalled') return null;
  const recall = lot.decisions.findLast((d) => d.to === 'recalled');
  return (
    <Caution tone="stop" className="my-4">
      <p>
        <strong>Recalled</strong>
        {recall && ` on ${dayMonthYear(recall.at)} by ${recall.by}: ${recall.why ?? ''}`}
      </p>
      <p className="mt-1">
        Nothing of it is sold, given or drunk.{' '}
        {lot.bottles.left > 0 && `${plural(lot.bottles.left, 'bottle')} here to take away or destroy. `}
        {onRecord ? (
          'Write below who was told, and what came back.'
        ) : (
          <>
            <Link className="text-link underline" to={`/records/${lot.code}`}>
              Its record
            </Link>{' '}
            says who has its bottles.
          </>
        )}
      </p>
    </Caution>
  );
}
