import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Change,
  changeDraft,
  type Draft,
  draftOf,
  drawnBy,
  emptyDraft,
  redrawnBy,
  savedContent,
} from '../src/formulas/draft.ts';
import { minutesFrom } from '../src/ui/StepFigures.tsx';

const at = (draft: Draft, ...changes: Change[]) => changes.reduce(changeDraft, draft);
const stepIds = (draft: Draft) => draft.content.steps.map((s) => s.id);

describe('a formula being written', () => {
  it('begins with one empty line and a method that can be made', () => {
    const draft = emptyDraft();
    expect(draft.content.lines).toHaveLength(1);
    expect(draft.content.steps.map((s) => s.kind)).toEqual(['prepare', 'draw', 'strain', 'heat', 'measure']);
    expect(draft.content.steps.some((s) => s.killStep)).toBe(true);
  });

  it('adds a line where the last one goes in, changes it, and takes it out', () => {
    let draft = emptyDraft();
    const [first] = draft.content.lines;
    draft = at(
      draft,
      { do: 'line', id: first!.id, change: { said: '4 kg', ingredientId: 'damson', stepId: 'cook' } },
      { do: 'add line' },
    );
    expect(draft.content.lines[1]).toMatchObject({ said: '', stepId: 'cook' });
    expect(draft.content.lines[0]).toMatchObject({ said: '4 kg', ingredientId: 'damson' });
    draft = at(draft, { do: 'drop line', id: first!.id });
    expect(draft.content.lines).toHaveLength(1);
  });

  it('gives a new step what its kind asks for', () => {
    const added = (kind: 'strain' | 'reduce' | 'heat') =>
      at(emptyDraft(), { do: 'add step', kind }).content.steps.at(-1)!;
    expect(added('strain').cloth).toBe('drip');
    expect(added('reduce').toBrix).toBeGreaterThan(0);
    expect(added('heat').killStep).toBe(true);
  });

  it('moves a step earlier and later, and never off either end', () => {
    const draft = emptyDraft();
    const [first, second] = stepIds(draft);
    expect(stepIds(at(draft, { do: 'move step', id: first!, to: 1 })).slice(0, 2)).toEqual([second, first]);
    expect(stepIds(at(draft, { do: 'move step', id: first!, to: -1 }))).toEqual(stepIds(draft));
    expect(stepIds(at(draft, { do: 'move step', id: first!, to: 99 }))).toEqual(stepIds(draft));
    expect(stepIds(at(draft, { do: 'move step', id: 'nobody', to: 1 }))).toEqual(stepIds(draft));
  });

  it('keeps every step through any moves', () => {
    const ids = stepIds(emptyDraft());
    const moves = fc.array(fc.tuple(fc.constantFrom(...ids), fc.integer({ min: -1, max: 6 })), {
      maxLength: 20,
    });
    fc.assert(
      fc.property(moves, (list) => {
        const draft = list.reduce((d, [id, to]) => changeDraft(d, { do: 'move step', id, to }), emptyDraft());
        expect([...stepIds(draft)].sort()).toEqual([...ids].sort());
      }),
    );
  });

  it('changes nothing it was not asked to', () => {
    const draft = emptyDraft();
    const frozen = structuredClone(draft);
    at(
      draft,
      { do: 'add line' },
      { do: 'add step', kind: 'rest' },
      { do: 'head', change: { name: 'X' } },
      { do: 'content', change: { bottleMl: 500 } },
      { do: 'drop step', id: 'cook' },
      { do: 'step', id: 'strain', change: { keeps: 0.5 } },
    );
    expect(draft).toEqual(frozen);
  });

  it('is saved without its quite empty lines, and opened again as it was', () => {
    const draft = at(emptyDraft(), { do: 'head', change: { name: 'Damson' } }, { do: 'add line' });
    expect(savedContent(draft.content).lines).toEqual([]);
    const opened = draftOf({
      ...draft,
      id: 'f',
      version: 1,
      versionId: 'v',
      savedAt: '',
      savedBy: '',
      lots: 0,
      archived: false,
      versions: [],
    });
    expect(opened.content).toEqual(draft.content);
    expect(at(draft, { do: 'set', draft: opened })).toBe(opened);
  });

  it('puts a line that followed one that is gone back into the batch', () => {
    let draft = at(emptyDraft(), { do: 'add line' });
    const [first, second] = draft.content.lines;
    draft = at(
      draft,
      { do: 'line', id: second!.id, change: { basis: { per: 'line', lineId: first!.id, by: 'weight' } } },
      { do: 'drop line', id: first!.id },
    );
    expect(draft.content.lines).toEqual([expect.objectContaining({ basis: undefined })]);
  });

  it('takes lines in under keys of their own, those that follow one another still together', () => {
    const lines = [
      { id: 'line1', said: '1 kg', ingredientId: 'damson' },
      {
        id: 'line2',
        said: 'half',
        ingredientId: 'sugar',
        basis: { per: 'line' as const, lineId: 'line1', by: 'weight' as const },
      },
    ];
    const draft = at(emptyDraft(), { do: 'add lines', lines }, { do: 'add lines', lines });
    const ids = draft.content.lines.map((l) => l.id);
    expect(new Set(ids).size).toBe(4);
    expect(draft.content.lines[3]!.basis).toMatchObject({ lineId: ids[2] });
  });

  it('keeps the words and the time that somebody gave a draw when its method is changed', () => {
    const own = {
      id: 'a',
      kind: 'draw' as const,
      title: 'Simmer, lid half on',
      minutes: 15,
      method: 'cooked' as const,
    };
    const changed = { ...own, ...redrawnBy(own, 'cold') };
    expect(changed).toMatchObject({ title: own.title, minutes: 15, method: 'cold', killStep: false });
    // Words and clock that came with the method go with it.
    const untouched = { id: 'a', kind: 'draw' as const, ...drawnBy('cooked') } as typeof own;
    expect({ ...untouched, ...redrawnBy(untouched, 'cold') }).toMatchObject(drawnBy('cold'));
  });

  it('takes lines in with their method, behind the steps that are there or in their place', () => {
    const lines = [{ id: 'line1', said: '1 kg', ingredientId: 'damson', stepId: 'step2' }];
    const steps = [
      { id: 'step1', kind: 'prepare' as const, title: 'Stone them' },
      { id: 'step2', kind: 'add' as const, title: 'Put them in' },
    ];
    const before = emptyDraft();
    const behind = at(before, { do: 'add lines', lines, method: { steps, goes: 'behind' } }).content;
    expect(behind.steps.map(({ title }) => title)).toEqual([
      ...before.content.steps.map(({ title }) => title),
      'Stone them',
      'Put them in',
    ]);
    expect(behind.lines.at(-1)!.stepId).toBe(behind.steps.at(-1)!.id);
    const instead = at(before, { do: 'add lines', lines, method: { steps, goes: 'instead' } }).content;
    expect(instead.steps.map(({ title }) => title)).toEqual(['Stone them', 'Put them in']);
    const left = at(before, { do: 'add lines', lines }).content;
    expect(left.steps).toEqual(before.content.steps);
    expect(left.lines.at(-1)).not.toHaveProperty('stepId');
  });

  it('leaves the entries a version kept with that version', () => {
    const own = { ingredients: [], measures: [] };
    const content = { ...emptyDraft().content, own };
    expect(savedContent(content)).not.toHaveProperty('own');
  });
});

describe('how long a step takes', () => {
  it.each([
    ['25', 25],
    ['25 min', 25],
    ['3 h', 180],
    ['1 h 20 min', 80],
    ['2 d', 2880],
    ['soon', undefined],
    ['', undefined],
  ])('"%s" is %d minutes', (text, minutes) => {
    expect(minutesFrom(text)).toBe(minutes);
  });
});
