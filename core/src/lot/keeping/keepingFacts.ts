import { headspaceForIce } from '../../bottling/index.ts';
import { factsFrom, lowAcidLines, type Makeup } from '../../formula/index.ts';
import { type HurdleFacts, USUAL_CRITICAL_PH } from '../../keeping/index.ts';
import { cooledInTime } from '../gate/cooled.ts';
import { allProcessed, closedHot } from '../gate/gateHeat.ts';
import { soundChecks } from '../gate/gateSeal.ts';
import { governingPh, phThatCounts } from '../gate/governingPh.ts';
import { heatingsOf } from '../gate/heating.ts';
import { once } from '../judging.ts';
import { brixKnown, finishedReadings } from '../pan/asMade.ts';
import { asMade, makeupAsMade } from '../pan/made.ts';
import { type LotRecord, standing } from '../record.ts';
import { bottleLives, EVER } from './life.ts';

/** Whether a boil that was only seen may count: kept cold or frozen, at pH 4.2 or under, and standing on nothing low in acid. */
function boilSeenCounts(lot: LotRecord): boolean {
  const ph = governingPh(lot)?.ph ?? null;
  return (
    lot.storage !== 'shelf' &&
    ph !== null &&
    ph <= USUAL_CRITICAL_PH &&
    lowAcidLines(asMade(lot).lines).length === 0
  );
}

/** What a lot is as made, heated as far as its heatings count, and whether that was only seen. */
export function makeupThatCounts(lot: LotRecord): { makeup: Makeup; killSeen: boolean } {
  const heatings = heatingsOf(lot);
  const measured = heatings.filter((h) => h.how === 'measured');
  const byThermometer = makeupAsMade(lot, measured);
  if (byThermometer.killStep || measured.length === heatings.length || !boilSeenCounts(lot))
    return { makeup: byThermometer, killSeen: false };
  const makeup = makeupAsMade(lot, heatings);
  return { makeup, killSeen: makeup.killStep };
}

/** What is known of a lot for its hurdles and its date, from the record alone. */
export const keepingFacts = (lot: LotRecord): HurdleFacts => once(lot, 'facts', () => factsOf(lot));

/** Whether the longer row of the table is taken: until its owner sets another date. */
const takesLonger = (lot: LotRecord): boolean =>
  [...lot.datings].sort((a, b) => a.recordedAt.localeCompare(b.recordedAt)).at(-1)?.longer ?? false;

const roomForIce = (b: LotRecord['bottlings'][number]): boolean | null =>
  b.headspaceInches === null ? null : b.headspaceInches >= headspaceForIce(b.nominalMl, b.closure);

/** Whether the hour is known at which bottles of a lot went into the freezer. */
function wentIn(lot: LotRecord): boolean {
  const lives = bottleLives(lot, EVER);
  return lives.length === 0 || lives.some((life) => life.frozenAt !== null);
}

function factsOf(lot: LotRecord): HurdleFacts {
  const bottlings = standing(lot.bottlings);
  const bottled = bottlings.length > 0;
  const ph = phThatCounts(lot);
  const { makeup, killSeen } = makeupThatCounts(lot);
  return {
    ...factsFrom(makeup, brixKnown(lot)?.low ?? null),
    storage: lot.storage,
    ownRetained: takesLonger(lot),
    ph: ph?.ph ?? null,
    ...(ph ? { phAsRead: ph.ph - ph.margin } : {}),
    criticalPh: lot.criticalPh,
    ...(killSeen ? { killSeen } : {}),
    measuredWaterActivity: finishedReadings(lot, 'water-activity').at(-1)?.value ?? null,
    heatProcess: allProcessed(lot),
    closedHot: bottled ? bottlings.every(closedHot) : null,
    sealChecked: soundChecks(lot).length > 0,
    ...(lot.storage === 'frozen' && bottled
      ? { roomForIce: bottlings.every(roomForIce), inFreezer: wentIn(lot) }
      : {}),
    cooledInTime: bottled ? bottlings.every((b) => cooledInTime(lot, b)) : null,
  };
}
