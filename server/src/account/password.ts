import { hash, verify } from '@node-rs/argon2';

/** argon2id with 19 MiB, two passes: the strength OWASP's password storage sheet asks for. */
export const hashPassword = (password: string): Promise<string> =>
  hash(password, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });

export const passwordMatches = (stored: string, password: string): Promise<boolean> =>
  verify(stored, password);
