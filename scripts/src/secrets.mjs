import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The passwords of a data folder and the key that signs its journal, made at its first start and readable by its owner alone. */
export function secretsOf(folder) {
  const file = join(folder, 'secrets.json');
  const kept = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : {};
  if (kept.admin && kept.app && kept.journal) return kept;
  const secrets = {
    admin: randomBytes(24).toString('base64url'),
    app: randomBytes(24).toString('base64url'),
    journal: randomBytes(32).toString('hex'),
    ...kept,
  };
  writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  return secrets;
}
