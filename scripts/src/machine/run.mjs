import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';

/** Runs a command to its end, its output shown, heard line by line or kept; throws with the end of its output when it fails. */
export function runCommand(command, args, { cwd, env, show = false, hear } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: show ? 'inherit' : ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    const keep = (chunk) => {
      output = (output + chunk).slice(-20_000);
    };
    child.stdout?.on('data', keep);
    if (hear) createInterface({ input: child.stdout }).on('line', hear);
    child.stderr?.on('data', keep);
    child.on('error', reject);
    child.on('exit', (code) =>
      code === 0
        ? resolve(output)
        : reject(new Error(`${command} ${args.join(' ')} ended with ${code}\n${output.slice(-4000)}`)),
    );
  });
}

/** Stops a child politely, then firmly. */
export async function stopChild(child, patience = 10_000) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const timer = setTimeout(() => child.kill('SIGKILL'), patience);
  await ended;
  clearTimeout(timer);
}
