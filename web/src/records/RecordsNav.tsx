import { PartsNav } from '../ui/PartsNav.tsx';

const PARTS = [
  ['/records', 'Lots'],
  ['/records/sales', 'Sales'],
  ['/records/earlier', 'Earlier lots'],
  ['/records/contacts', 'Contacts'],
  ['/records/import', 'Import'],
] as const;

/** The parts of the records, along their top. */
export const RecordsNav = () => <PartsNav label="Parts of the records" parts={PARTS} />;
