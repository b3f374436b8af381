import { type Kitchen, KitchenChange, kitchenRoutes } from '@inch/contract/kitchen/kitchen';
import { exemptions, LANGUAGES, type Labelling, labelWords, PRINTED } from '@inch/core/label';
import { call } from '../data/api.ts';
import { useCatalogue } from '../data/catalogue.ts';
import { useDeedForm } from '../data/useDeedForm.ts';
import { Button } from '../ui/Button.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Choice, Field, TextField } from '../ui/Field.tsx';
import { Ruled } from '../ui/Sheet.tsx';

type Name = Labelling['names'][number];

/** Names as they are typed, "sour cherries = griottes", a line each; or what is wrong with a line. */
function namesFrom(
  text: string,
  language: Name['language'],
  idOf: (name: string) => string | null,
): Name[] | string {
  const names: Name[] = [];
  for (const line of text.split('\n').filter((l) => l.trim())) {
    const [said = '', name = '', ...more] = line.split('=').map((part) => part.trim());
    const ingredientId = idOf(said);
    if (!name || more.length > 0)
      return `"${line.trim()}": write the ingredient, an equals sign, and its name.`;
    if (!ingredientId) return `No ingredient is called "${said}". Write it as the label has it.`;
    names.push({ language, ingredientId, name });
  }
  return names;
}

function useLabelling(kitchen: Kitchen) {
  const { labelling } = kitchen;
  const catalogue = useCatalogue();
  const labelNameOf = (id: string) => catalogue.all.find((i) => i.id === id)?.labelName ?? id;
  const idOf = (said: string) =>
    catalogue.all.find((i) => [i.id, i.labelName, i.name].some((n) => n.toLowerCase() === said.toLowerCase()))
      ?.id ?? null;
  const vignette = labelling.vignettes[0];
  return useDeedForm({
    of: 'kitchen',
    draft: 'labelling',
    empty: {
      nutrition: labelling.nutrition ?? '',
      dates: labelling.dates as string,
      second: labelling.second ?? '',
      permit: labelling.permit,
      names: labelling.names
        .filter((n) => n.language === labelling.second)
        .map((n) => `${labelNameOf(n.ingredientId)} = ${n.name}`)
        .join('\n'),
      vignette: vignette?.text ?? '',
      typeMm: vignette?.typeMm == null ? '' : String(vignette.typeMm),
      rule: vignette?.rule ?? '',
    },
    schema: KitchenChange,
    hasId: false,
    read: (a, fields) => ({
      revision: kitchen.revision,
      labelling: {
        nutrition: a.nutrition || null,
        dates: a.dates,
        second: a.second || null,
        permit: a.permit,
        names: [
          ...labelling.names.filter((n) => n.language !== a.second),
          ...(a.second
            ? (fields.taken('names', namesFrom(a.names, a.second as Name['language'], idOf)) ?? [])
            : []),
        ],
        vignettes: a.vignette
          ? [
              {
                text: a.vignette,
                typeMm: fields.figure('typeMm', { unit: 'mm', min: 0.5, max: 20 }),
                rule: a.rule,
              },
              ...labelling.vignettes.slice(1),
            ]
          : labelling.vignettes.slice(1),
      },
    }),
    write: (body) => call(kitchenRoutes.change, { body }),
    done: 'Saved',
  });
}
type Form = ReturnType<typeof useLabelling>;

function Second({ form }: { form: Form }) {
  return (
    <>
      <Choice
        label="Second language"
        {...form.field('second')}
        hint="Every label then says everything twice, or is not printed."
        options={[
          ['', 'none'],
          ...LANGUAGES.filter((l) => l !== 'en').map((l) => [l, labelWords[l].language] as const),
        ]}
      />
      {form.values.second && (
        <TextField
          className="col-span-full"
          label="Ingredients in that language"
          rows={5}
          placeholder={'sugar = sucre\nsour cherries = griottes'}
          {...form.field('names')}
          hint="One a line, with an equals sign. What a label still lacks is named beside it."
        />
      )}
    </>
  );
}

/** What the kitchen decided of its labels: nutrition, dates, a second language, a local statement with its own type size. */
export function KitchenLabels({ kitchen, owner }: { kitchen: Kitchen; owner: boolean }) {
  const form = useLabelling(kitchen);
  const grounds = exemptions.filter((e) => e.pack === kitchen.rulePack);
  const chosen = grounds.find((e) => e.id === form.values.nutrition);
  return (
    <Ruled title="Labels" className="mt-8">
      <form onSubmit={form.submit}>
        <fieldset disabled={!owner} className="grid grid-cols-2 items-start gap-4 py-3 max-sm:grid-cols-1">
          <DraftNote form={form} />
          <Choice
            label="Nutrition figures"
            {...form.field('nutrition')}
            hint={chosen ? `${chosen.asks} ${chosen.rule}.` : 'Printed, or why they need not be.'}
            options={[
              ['', 'not answered yet'],
              [PRINTED, 'printed on every label'],
              ...grounds.map((e) => [e.id, `not printed: ${e.name.toLowerCase()}`] as const),
            ]}
          />
          <Choice
            label="Dates"
            {...form.field('dates')}
            hint="Short names the last whole month, where the rule allows it."
            options={[
              ['day', 'with the day'],
              ['short', 'short'],
            ]}
          />
          <Field
            label="Permit or registration number"
            {...form.field('permit')}
            hint="Printed behind your name and place."
          />
          <Second form={form} />
          <TextField
            className="col-span-full"
            label="Statement of a local rule with a type size of its own, word for word"
            rows={2}
            {...form.field('vignette')}
          />
          {form.values.vignette && (
            <>
              <Field
                label="Height of its capitals, mm"
                figure
                inputMode="decimal"
                {...form.field('typeMm')}
                hint="Empty: as large as the rest."
              />
              <Field label="The rule that asks for it" {...form.field('rule')} />
            </>
          )}
          {owner && (
            <Button type="submit" className="justify-self-start" disabled={form.busy}>
              Save label settings
            </Button>
          )}
        </fieldset>
      </form>
    </Ruled>
  );
}
