import type { Crew } from './filled.ts';
import { calibrate, post, type Started } from './fixtures.ts';

/** Something that is written in a kitchen, in ways that move standings: lots, their instruments, the settings. */
export const deedsOf = (crew: Crew, meter: string): Record<string, (lot: Started) => Promise<unknown>> => ({
  'a sale': async (lot) => {
    const [group] = (await crew.view(lot)).bottles.groups;
    return (
      group &&
      post(crew.maker, lot, 'movements', {
        bottlingId: group.bottlingId,
        kind: 'sold',
        from: group.place,
        to: 'Arkle market',
        count: 1,
      })
    );
  },
  'a pH that counts': (lot) =>
    post(crew.maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.4,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
    }),
  'a pH over the limit': (lot) =>
    post(crew.maker, lot, 'readings', {
      kind: 'ph',
      raw: 4.9,
      celsius: 21,
      sample: 'finished',
      instrumentId: meter,
      because: 'read twice',
    }),
  'a note': (lot) => post(crew.maker, lot, 'readings', { kind: 'note', said: 'clear as glass' }),
  'a weighing-in': (lot) =>
    post(crew.maker, lot, 'additions', { ingredientId: 'sugar', grams: 10, from: 'jar', why: 'to taste' }),
  'a strike': async (lot) => {
    const { readings } = await crew.view(lot);
    const last = readings.findLast((r: { struck: unknown }) => r.struck === null);
    return last && post(crew.maker, lot, 'strikes', { noun: 'reading', entryId: last.id, why: 'misread' });
  },
  'a done step': async (lot) => {
    const { steps } = await crew.view(lot);
    const open = steps.find((s: { marks: { kind: string }[] }) => s.marks.at(-1)?.kind !== 'done');
    return open && post(crew.maker, lot, 'marks', { stepId: open.id, mark: 'done' });
  },
  'a deviation': (lot) => post(crew.maker, lot, 'deviations', { what: 'A jar was dropped.' }),
  'a good calibration': () => calibrate(crew.maker, meter),
  'a refused calibration': () => calibrate(crew.maker, meter, 60),
  'a hold': (lot) => post(crew.owner, lot, 'decisions', { event: 'hold', why: 'looked cloudy' }),
  'resuming it': (lot) =>
    post(crew.owner, lot, 'rulings', { event: 'resume', why: 'it was the light', done: 'looked again' }),
  'another name of the kitchen': async () => {
    const { revision } = (await crew.owner.get('/api/kitchen')).body;
    return crew.owner.send('PATCH', '/api/kitchen', { revision, name: `Kitchen ${revision}` });
  },
  'no place on the label': async () => {
    const { revision, place } = (await crew.owner.get('/api/kitchen')).body;
    return crew.owner.send('PATCH', '/api/kitchen', { revision, place: place === '' ? 'Upland' : '' });
  },
});
