import { spawn } from 'node:child_process';
import { openSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureProgram } from '../machine/debian.mjs';
import { stopChild } from '../machine/run.mjs';
import { until } from '../machine/until.mjs';

/**
 * What HAProxy is told: connections to the database go to the first node that answers, requests to the servers in turns.
 * A node that comes back takes no connection from the one that stood in for it. Servers are asked whether they live, not whether their database answers: of
 * that they tell people themselves.
 */
const configuration = ({ databasePort, port, nodes, servers }) => `
global
  maxconn 2000
defaults
  timeout connect 5s
  timeout check 5s
  retries 2
  option redispatch

listen database
  bind 127.0.0.1:${databasePort}
  mode tcp
  timeout client 1h
  timeout server 1h
  option mysql-check user inch_proxy
  stick-table type ip size 1
  stick on dst
${nodes.map((n, i) => `  server ${n.name} 127.0.0.1:${n.port} check inter 500ms fall 2 rise 4 on-marked-down shutdown-sessions${i === 0 ? '' : ' backup'}`).join('\n')}

frontend pantry
  bind 127.0.0.1:${port}
  mode http
  timeout client 1h
  option forwardfor
  default_backend servers
  http-error status 503 content-type application/problem+json string '{"type":"about:blank","title":"No server answers","status":503,"detail":"No server answers. Nothing was lost; try again in a moment."}' hdr Retry-After 2 hdr Cache-Control no-store

backend servers
  mode http
  balance roundrobin
  timeout server 1h
  timeout queue 5s
  option httpchk
  http-check send meth GET uri /api/health/live ver HTTP/1.1 hdr Host localhost
${servers.map((s, i) => `  server server-${i + 1} 127.0.0.1:${s} check inter 500ms fall 2 rise 1`).join('\n')}
`;

/** Starts HAProxy before a database cluster and some servers. @returns how to stop it */
export async function startProxy(folder, told) {
  const program = await ensureProgram(['haproxy'], ['haproxy'], 'HAProxy');
  const file = join(folder, 'haproxy.cfg');
  writeFileSync(file, configuration(told));
  const out = openSync(join(folder, 'haproxy.log'), 'a');
  const child = spawn(program, ['-db', '-f', file], { stdio: ['ignore', out, out] });
  const answers = () =>
    fetch(`http://127.0.0.1:${told.port}/`).then(
      () => true,
      () => child.exitCode !== null,
    );
  if ((await until(answers)) && child.exitCode === null) return { stop: () => stopChild(child, 5000) };
  await stopChild(child, 1000);
  throw new Error(`HAProxy did not start; its log is in ${folder}`);
}
