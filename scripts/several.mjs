import { resolve } from 'node:path';
import { startSeveral } from './src/cluster/several.mjs';
import { DEMO_OWNER, loadDemo } from './src/demo.mjs';
import { readArgs } from './src/machine/args.mjs';
import { ensureBuilt } from './src/machine/build.mjs';
import { ensurePackages } from './src/machine/packages.mjs';
import { ROOT } from './src/machine/root.mjs';
import { giveUp, say } from './src/machine/say.mjs';

/**
 * Runs a kitchen on three database nodes and two servers behind HAProxy, all of them on this machine: to see how it goes on while parts of
 * it are killed. `docs/growing.md` says how it is done on machines of their own.
 */
const { values } = readArgs('npm run several -- [--port N] [--data DIR] [--empty]', {
  port: { type: 'string', default: '4880' },
  data: { type: 'string', default: `${ROOT}/var/several` },
  empty: { type: 'boolean', default: false },
});
await ensurePackages();
await ensureBuilt();
try {
  say('Starting three database nodes …');
  const several = await startSeveral(resolve(values.data), { port: Number(values.port) });
  const stop = async () => {
    say('Stopping …');
    await several.stop();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop());
  if (!values.empty) await loadDemo(several.url);
  process.stdout.write(`\n  Inch Pantry is at ${several.url}\n`);
  for (const node of several.cluster.nodes)
    process.stdout.write(`  ${node.name}: port ${node.port}, process ${node.child.pid}\n`);
  for (const [i, server] of several.servers.entries())
    process.stdout.write(`  server ${i + 1}: ${server.url}, process ${server.child.pid}\n`);
  if (!values.empty)
    process.stdout.write(`  Demo kitchen: sign in as ${DEMO_OWNER.name} with ${DEMO_OWNER.password}\n`);
  process.stdout.write('  Kill one of these processes and go on working. Ctrl-C stops everything.\n\n');
} catch (error) {
  giveUp(error.message);
}
