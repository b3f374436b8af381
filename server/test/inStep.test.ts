import { describe, expect, it } from 'vitest';
import { isOutOfStep, onceInStep } from '../src/database/inStep.ts';

/** Answers with these codes one after another, then well. */
function node(...codes: string[]) {
  let asked = 0;
  const ask = async () => {
    const code = codes[asked];
    asked += 1;
    if (code) throw Object.assign(new Error(code), { code });
    return 'in step';
  };
  return { ask, asked: () => asked };
}

describe('a node of a cluster that is asked while it joins', () => {
  it('is asked again until it is in step', async () => {
    const { ask, asked } = node('ER_LOCK_WAIT_TIMEOUT', 'ER_UNKNOWN_COM_ERROR');
    expect(await onceInStep(ask)).toBe('in step');
    expect(asked()).toBe(3);
  });

  it('is not asked again where that does not pass by itself', async () => {
    const { ask, asked } = node('ER_ACCESS_DENIED_ERROR');
    await expect(onceInStep(ask)).rejects.toThrow('ER_ACCESS_DENIED_ERROR');
    expect(asked()).toBe(1);
  });

  it('is told from one that is not there', () => {
    const of = (code: string) => isOutOfStep(Object.assign(new Error(code), { code }));
    expect(['PROTOCOL_CONNECTION_LOST', 'ECONNRESET'].map(of)).toEqual([true, true]);
    expect(['ECONNREFUSED', 'ENOTFOUND', 'ER_DBACCESS_DENIED_ERROR'].map(of)).toEqual([false, false, false]);
  });
});
