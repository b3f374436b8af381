import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './machine/root.mjs';
import { runCommand, stopChild } from './machine/run.mjs';

/** Applies migrations and gives the app's user its rights; `appHost` is where that user connects from. @param hear hears what is done, a line each */
export function prepareDatabase({ adminUrl, appUrl, journalKey = '', appHost = '' }, hear = undefined) {
  return runCommand(process.execPath, [join(ROOT, 'server/dist/admin.js'), 'prepare'], {
    env: {
      INCH_ADMIN: adminUrl,
      INCH_DATABASE: appUrl,
      INCH_JOURNAL_KEY: journalKey,
      ...(appHost ? { INCH_APP_HOST: appHost } : {}),
    },
    hear,
  });
}

/**
 * Starts the compiled server and waits until it listens.
 * @param {{ appUrl: string, journalKey?: string, host?: string, port: number, webRoot?: string, log?: string, logFile?: string, publicAddress?: string,
 *   tls?: { key: string, cert: string, authority: string } }} options
 * @returns its address, and how to stop or kill it
 */
export function startServer({
  appUrl,
  journalKey = '',
  host = '127.0.0.1',
  port,
  webRoot = join(ROOT, 'web/dist'),
  log = 'warn',
  logFile = '',
  tls,
  publicAddress,
}) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'server/dist/main.js')], {
    env: {
      ...process.env,
      INCH_DATABASE: appUrl,
      INCH_JOURNAL_KEY: journalKey,
      INCH_HOST: host,
      INCH_PORT: String(port),
      INCH_WEB: webRoot,
      INCH_LOG: log,
      INCH_LOG_FILE: logFile,
      INCH_STOP_WITH_PARENT: '1',
      ...(publicAddress ? { INCH_PUBLIC: publicAddress } : {}),
      ...(tls ? { INCH_TLS_KEY: tls.key, INCH_TLS_CERT: tls.cert, INCH_TLS_AUTHORITY: tls.authority } : {}),
    },
    stdio: ['pipe', 'pipe', 'pipe'],
    detached: true,
  });
  return new Promise((resolve, reject) => {
    let output = '';
    child.stderr.on('data', (chunk) => {
      output += chunk;
      process.stderr.write(chunk);
    });
    child.stdout.on('data', (chunk) => {
      if (String(chunk).startsWith('listening')) {
        const shown = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
        resolve({
          url: `${tls ? 'https' : 'http'}://${shown}:${port}`,
          child,
          stop: () => stopChild(child),
          kill: () => child.kill('SIGKILL'),
        });
      } else process.stdout.write(chunk);
    });
    child.on('exit', (code) => reject(new Error(output.trim() || `the server ended with ${code}`)));
  });
}
