import { ensurePackages } from './packages.mjs';

// Loaded before a command whose own files import packages: on a fresh machine there are none yet.
await ensurePackages();
