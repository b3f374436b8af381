import type { Manifest } from '@inch/contract/kitchen/export';

/** What an export says of itself to somebody who never saw the program. */
export const readme = ({ kitchen, counts, journal, leftOut }: Manifest): string => `${kitchen.name}

This is everything that the kitchen's record holds: what was made, from what, how it was measured, where it went,
and who wrote it down when. "manifest.json" says when the file was written.

  records/      one file a kind of record, one record a line, as JSON (JSON Lines, UTF-8)
  schema/       JSON Schema of the records of each file
  tables/       the same records as CSV, for a spreadsheet: UTF-8 with a byte-order mark, cells that begin like
                a formula made harmless by an apostrophe
  photographs/  the pictures of the lots, by the id of their record
  pictures/     the pictures of the labels, by the id of their record
  documents/    PDF: the label of each lot that was labelled, as it would be printed last, and the release sheet
                of each lot that was ever released
  journal/      every change ever made, one a line, each bound to the one before by its hash

How to read the records
  Every record has an id; "lotId", "formulaId" and the like name the id of another record.
  Times are UTC (ISO 8601), amounts grams, volumes millilitres, temperatures degrees Celsius, prices the smallest
  coin of the kitchen's currency. "at" is when something happened, "recordedAt" when it was written down.
  A record that was struck stays, with "struckAt", "struckBy" and "struckWhy".
  "lot.jsonl" has the lots, "decision.jsonl" what was decided of them, "formula-version.jsonl" what they were made
  from, "movement.jsonl" where the bottles went.

How the journal proves the record
  "hash" is SHA-256 of the hash before it (64 zeros for the first) followed by the canonical JSON of the row:
  {accountId, action, at, lotId, noun, nounId, payload, sequence}, keys in order, no spaces.
  Rows with the noun "rows" hold records as they stood from then on, cell by cell. The journal ends at row
  ${journal.sequence} with the hash ${journal.hash}.

What is not in it: passwords and their hashes, sessions, secret addresses of calendars.
${leftOut.length > 0 ? `\nLots whose record cannot be read, so that they have no documents here: ${leftOut.join(', ')}.\n` : ''}
It holds ${Object.values(counts)
  .reduce((a, b) => a + b, 0)
  .toLocaleString('en')} records. Inch Pantry takes it in again: npm run import -- THIS-FILE --data NEW-FOLDER
`;
