import type { LabelView } from '@inch/contract/making/label';
import type { Nutrient } from '@inch/core/label';
import { grouped, volume } from '@inch/core/quantity';
import { Ruled } from '../ui/Sheet.tsx';

type Nutrition = NonNullable<LabelView['nutrition']>;

interface Row {
  of: Nutrient;
  name: string;
  unit: string;
  inset?: boolean;
}

const US: readonly Row[] = [
  { of: 'calories', name: 'Calories', unit: '' },
  { of: 'fat', name: 'Total fat', unit: 'g' },
  { of: 'saturatedFat', name: 'Saturated fat', unit: 'g', inset: true },
  { of: 'transFat', name: 'Trans fat', unit: 'g', inset: true },
  { of: 'cholesterol', name: 'Cholesterol', unit: 'mg' },
  { of: 'sodium', name: 'Sodium', unit: 'mg' },
  { of: 'carbohydrate', name: 'Total carbohydrate', unit: 'g' },
  { of: 'fibre', name: 'Dietary fiber', unit: 'g', inset: true },
  { of: 'sugars', name: 'Total sugars', unit: 'g', inset: true },
  { of: 'addedSugars', name: 'of which added sugars', unit: 'g', inset: true },
  { of: 'protein', name: 'Protein', unit: 'g' },
  { of: 'vitaminD', name: 'Vitamin D', unit: 'mcg' },
  { of: 'calcium', name: 'Calcium', unit: 'mg' },
  { of: 'iron', name: 'Iron', unit: 'mg' },
  { of: 'potassium', name: 'Potassium', unit: 'mg' },
];

const EU: readonly Row[] = [
  { of: 'fat', name: 'Fat', unit: 'g' },
  { of: 'saturatedFat', name: 'of which saturates', unit: 'g', inset: true },
  { of: 'carbohydrate', name: 'Carbohydrate', unit: 'g' },
  { of: 'sugars', name: 'of which sugars', unit: 'g', inset: true },
  { of: 'protein', name: 'Protein', unit: 'g' },
];

function Line({ row, nutrition }: { row: Row; nutrition: Nutrition }) {
  const { declared, percentDailyValue, from, tolerance } = nutrition.figures[row.of];
  return (
    <tr className="border-b border-steel-line align-top">
      <th scope="row" className={`py-1 text-left font-normal ${row.inset ? 'pl-5' : ''}`}>
        {row.name}
      </th>
      <td className="figure pr-4 text-right font-semibold whitespace-nowrap">
        {declared} {row.unit}
      </td>
      {nutrition.pack === 'us' && (
        <td className="figure pr-4 text-right">
          {percentDailyValue === null ? '' : `${percentDailyValue} %`}
        </td>
      )}
      <td className="text-sm text-ink-2">
        {from}; {tolerance}
      </td>
    </tr>
  );
}

/** Nutrition calculated from the lot as made, each figure with what it rests on and how far a laboratory may find otherwise. */
export function NutritionTable({ nutrition, printed }: { nutrition: Nutrition; printed: boolean }) {
  const us = nutrition.pack === 'us';
  return (
    <Ruled
      title={`Nutrition, calculated, in ${us ? `a serving of ${volume(nutrition.millilitres, 0)}` : `${grouped(nutrition.millilitres)} mL`}`}
      className="mt-8"
    >
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-left text-sm text-ink-2">
            <th className="py-1 font-semibold">Nutrient</th>
            <th className="pr-4 text-right font-semibold">as declared</th>
            {us && <th className="pr-4 text-right font-semibold">of the day</th>}
            <th className="font-semibold">calculated from</th>
          </tr>
        </thead>
        <tbody>
          {!us && (
            <tr className="border-b border-steel-line align-top">
              <th scope="row" className="py-1 text-left font-normal">
                Energy
              </th>
              <td className="figure pr-4 text-right font-semibold whitespace-nowrap">
                {nutrition.kilojoules.declared} kJ / {nutrition.figures.calories.declared} kcal
              </td>
              <td className="text-sm text-ink-2">{nutrition.figures.calories.from}</td>
            </tr>
          )}
          {(us ? US : EU).map((row) => (
            <Line key={row.of} row={row} nutrition={nutrition} />
          ))}
          {!us && (
            <tr className="border-b border-steel-line align-top">
              <th scope="row" className="py-1 text-left font-normal">
                Salt
              </th>
              <td className="figure pr-4 text-right font-semibold whitespace-nowrap">
                {nutrition.salt.declared} g
              </td>
              <td className="text-sm text-ink-2">{nutrition.figures.sodium.from}</td>
            </tr>
          )}
        </tbody>
      </table>
      <p className="py-2 text-sm text-ink-2">
        Calculated from the lot as made, not measured.{' '}
        {printed
          ? 'It is printed on the label.'
          : 'It is not printed: whether it has to be is answered in the kitchen’s settings, under Labels.'}
      </p>
    </Ruled>
  );
}
