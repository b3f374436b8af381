import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The passwords of a data folder, made at its first start and readable by its owner alone. */
export function secretsOf(folder) {
  const file = join(folder, 'secrets.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8'));
  const secrets = {
    admin: randomBytes(24).toString('base64url'),
    app: randomBytes(24).toString('base64url'),
  };
  writeFileSync(file, JSON.stringify(secrets), { mode: 0o600 });
  return secrets;
}
