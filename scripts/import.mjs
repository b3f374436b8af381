import { admin } from './src/database.mjs';
import { presentFile, readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { inNewFolder, newFolder } from './src/machine/newFolder.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { giveUp, say } from './src/machine/say.mjs';
import { prepareDatabase } from './src/server.mjs';

const USAGE = 'npm run import -- FILE --data NEW-FOLDER';

/** Makes a kitchen of an export, in a folder that holds none or in the empty database that DATABASE_URL names. */
const { values, files } = readArgs(USAGE, { data: { type: 'string' } }, 1);
if (!values.data) giveUp(`Write: ${USAGE}`);
const file = presentFile(files[0]);
const folder = newFolder(values.data);
await ensurePackages();
await ensureBuilt(['server']);
try {
  await inNewFolder(
    folder,
    async () => {},
    async (db) => {
      await prepareDatabase(db);
      await admin(db, ['import', file], { show: true });
    },
  );
  say(`It is in ${folder}. Start it with: npm start -- --data ${folder}`);
  say('Nobody has a password there yet: the first page asks its owner to set one.');
} catch {
  // Why, the command has said.
  process.exitCode = 1;
}
