import { HIGHEST_PH } from '@inch/core/keeping';
import { Labelling } from '@inch/core/label';
import { RulePackId } from '@inch/core/lot';
import { CupSchool, LOCALES } from '@inch/core/quantity';
import { Name, Words } from '@inch/core/value';
import { z } from 'zod';
import { route } from '../route/route.ts';

export const TimeZone = z.string().refine((zone) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}, 'Not a time zone; write for instance Europe/London.');

const Clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time of day such as 08:00.');
/** What a day's work has to go round: burners, hands, canner, hours, and what an hour and a kWh cost. */
export const Workshop = z.object({
  burners: z.number().int().min(1, 'At least one.').max(20),
  hands: z.number().int().min(1, 'At least one pair.').max(20),
  /** Bottles or jars the canner takes at a time; loads that hot bottles may wait for. */
  cannerHolds: z.number().int().min(1, 'At least one jar.').max(500),
  cannerLoads: z.number().int().min(1, 'At least one load.').max(10),
  /** Monday first; null for a day off. */
  hours: z.array(z.object({ from: Clock, to: Clock }).nullable()).length(7),
  kwhMinor: z.number().min(0).max(1000),
  handsHourMinor: z.number().int().min(0).max(100_000),
  /** What the freezer has room for, g. */
  freezerGrams: z.number().min(0).max(1_000_000),
});
export type Workshop = z.infer<typeof Workshop>;

/** Codes of ISO 4217 that prices can be shown in. */
const CURRENCIES: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));

const fields = {
  name: Name,
  place: Words,
  elevationMetres: z.number().min(-400, 'Not under −400 m.').max(5000, 'At most 5,000 m.'),
  cupSchool: CupSchool.nullable(),
  rulePack: RulePackId,
  localStatement: Words,
  criticalPh: z.number().min(3, 'Not under 3.').max(HIGHEST_PH, `Never over ${HIGHEST_PH}.`),
  currency: z
    .string()
    .refine((code) => CURRENCIES.has(code), 'No currency of that code. Three capitals, such as GBP.'),
  timeZone: TimeZone,
  workshop: Workshop,
  /** What it reads its temperatures in and weighs in, and how it writes days; what is stored stays in °C, g and ISO 8601. */
  units: z.object({
    temperature: z.enum(['C', 'F']),
    weight: z.enum(['metric', 'us']),
    locale: z.enum(LOCALES),
  }),
  /** How much of a lot may be unaccounted for before it asks for a reason, % of what was in the pan. */
  fillTolerancePercent: z.number().min(0, 'Not under 0.').max(20, 'At most 20 %.'),
  /** Whether a release and the closing of a deviation ask for somebody other than who did the work. */
  secondPerson: z.boolean(),
  labelling: Labelling,
  /** Minutes without a touch after which a device has to sign in again; null for never. */
  idleMinutes: z.number().int().min(5, 'Not under 5 minutes.').max(10_080, 'At most a week.').nullable(),
};

/** Where the kitchen came in from an export: when, up to which row of its journal, and whether this installation's own key had signed that. */
const BroughtIn = z.object({ at: z.string(), sequence: z.number().int(), signedHere: z.boolean() });

export const Kitchen = z.object({
  id: z.string(),
  ...fields,
  revision: z.number().int(),
  broughtIn: BroughtIn.nullable(),
});
export type Kitchen = z.infer<typeof Kitchen>;

export const KitchenChange = z.object(fields).partial().extend({
  revision: z.number().int(),
  /** The kitchen moved to this elevation now; else it is put right for all that was made where it is. */
  movedHere: z.boolean().optional(),
});

export const kitchenRoutes = {
  read: route({
    method: 'GET',
    path: '/api/kitchen',
    access: 'reader',
    summary: 'The kitchen and its settings',
    response: Kitchen,
  }),
  change: route({
    method: 'PATCH',
    path: '/api/kitchen',
    access: 'owner',
    summary: 'Change settings; a stale revision is refused with 409',
    body: KitchenChange,
    response: Kitchen,
  }),
};
