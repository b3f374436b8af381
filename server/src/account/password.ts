import { hash, verify } from '@node-rs/argon2';
import zxcvbn from 'zxcvbn';
import { invalid } from '../problem/problem.ts';

/** argon2id with 19 MiB, two passes: the strength OWASP's password storage sheet asks for. */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

/** Of no password: an unknown name is checked against it, so that it takes as long as a known one. */
const NOBODY = hashPassword(`nobody ${Math.random()}`);

/** Whether a password is the one kept; of an unknown name it never is, and takes as long to say. */
export async function passwordMatches(stored: string | null, password: string): Promise<boolean> {
  const matches = await verify(stored ?? (await NOBODY), password);
  return stored !== null && matches;
}

/** Under it a password is guessed in some thousand tries, or is among the common ones. */
const WEAKEST = 2;

/** Refuses a password that is common or easily guessed from the names around it. */
export function refuseWeak(password: string, names: readonly string[]): void {
  const { score } = zxcvbn(password.slice(0, 100), [...names, 'inch', 'pantry']);
  if (score < WEAKEST)
    throw invalid(
      'password',
      'That password is easily guessed. Three or four words that do not belong together make a good one.',
    );
}
