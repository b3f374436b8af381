import { type Formula, formulaRoutes } from '@inch/contract/making/formula';
import type { Forecast } from '@inch/core/formula';
import { bottleSize, plural } from '@inch/core/quantity';
import { useNavigate } from 'react-router';
import { urlOf } from '../data/address.ts';
import { call } from '../data/api.ts';
import { useOwnCatalogue } from '../data/catalogue.ts';
import { useMayWrite } from '../data/session.tsx';
import { useSetting } from '../data/useSetting.ts';
import { useWrite } from '../data/useWrite.ts';
import { type Action, Menu } from '../ui/Menu.tsx';
import { fileName, sendOut } from '../ui/sendOut.ts';
import type { Draft } from './draft.ts';
import { asCsv } from './exchange/csv.ts';
import { asFormulaFile } from './exchange/json.ts';
import { asRecipe } from './exchange/recipe.ts';

/** What is done with a whole formula: copied, exported, archived. */
export function MoreMenu({
  formula,
  draft,
  forecast,
}: {
  formula: Formula | null;
  draft: Draft;
  forecast: Forecast;
}) {
  const navigate = useNavigate();
  const mayWrite = useMayWrite();
  const { catalogue } = useSetting();
  const own = useOwnCatalogue().data;
  const archive = useWrite(
    'formula',
    (archived: boolean) => call(formulaRoutes.archive, { params: { id: formula!.id }, body: { archived } }),
    { done: formula?.archived ? 'Restored' : 'Archived. Its lots and versions stay' },
  );
  const copy = () =>
    navigate('/formulas/new', { state: { draft: { ...draft, name: `${draft.name}, another` } } });
  const inquiry: Action[] = formula
    ? [
        {
          name: 'Process inquiry (PDF)',
          act: () => window.open(urlOf(formulaRoutes.inquiry.path, { id: formula.id }), '_blank', 'noopener'),
        },
      ]
    : [];
  const actions: Action[] = [
    ...inquiry,
    {
      name: 'Our own file (JSON)',
      act: () => sendOut(fileName(draft.name, 'json'), 'application/json', asFormulaFile(draft, own)),
    },
    {
      name: 'Recipe (schema.org)',
      act: () =>
        sendOut(
          fileName(draft.name, 'jsonld'),
          'application/ld+json',
          asRecipe(
            draft,
            catalogue,
            `${plural(forecast.bottles, 'bottle')} of ${bottleSize(draft.content.bottleMl)}`,
            own,
          ),
        ),
    },
    {
      name: 'Lines (CSV)',
      act: () =>
        sendOut(
          fileName(draft.name, 'csv'),
          'text/csv',
          asCsv(
            draft,
            catalogue,
            forecast.lines.map((l) => l.grams),
          ),
        ),
    },
  ];
  if (formula && mayWrite) actions.unshift({ name: 'Copy as a new formula', act: copy });
  if (formula && mayWrite)
    actions.push({
      name: formula.archived ? 'Restore' : 'Archive',
      act: () => archive.run(!formula.archived),
      apart: true,
    });
  return (
    <Menu label="More with this formula" actions={actions}>
      More ▾
    </Menu>
  );
}
