import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { KEPT_FILES, loadBackup, readBackup } from './src/backup.mjs';
import { verifyDatabase } from './src/database.mjs';
import { presentFile, readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { inNewFolder, newFolder } from './src/machine/newFolder.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { giveUp, say } from './src/machine/say.mjs';
import { prepareDatabase } from './src/server.mjs';

const USAGE = 'npm run restore -- FILE --data NEW-FOLDER';

/** Makes a kitchen of a backup in a folder that holds none, or in the empty database that DATABASE_URL names, and verifies it. */
const { values, files } = readArgs(USAGE, { data: { type: 'string' } }, 1);
if (!values.data) giveUp(`Write: ${USAGE}`);
const file = presentFile(files[0]);
const folder = newFolder(values.data);

async function restore() {
  const backup = await readBackup(file);
  const whole = await inNewFolder(
    folder,
    async (part) => {
      for (const name of KEPT_FILES)
        if (backup.zip.names.includes(name))
          writeFileSync(join(part, name), await backup.zip.text(name), { mode: 0o600 });
    },
    async (db) => {
      say('Loading the copy …');
      await loadBackup(backup, db.adminUrl);
      await prepareDatabase(db);
      say('Walking its journal …');
      return verifyDatabase(db);
    },
  );
  backup.zip.close();
  say(`The kitchen of ${backup.manifest.at} is in ${folder}. Start it with: npm start -- --data ${folder}`);
  if (!whole) process.exitCode = 1;
}
await ensurePackages();
await ensureBuilt(['server']);
await restore().catch((error) => {
  process.stderr.write(`Nothing was restored. ${error.message}\n`);
  process.exitCode = 1;
});
