/**
 * Does some work while no other page of this device does the same. Over plain HTTP from another machine a browser has no such locks: then each
 * page works for itself, and the ids of what is sent keep it from being written twice.
 */
export async function oneAtATime(
  name: string,
  work: () => Promise<void>,
  signal?: AbortSignal,
): Promise<void> {
  const locks = (navigator as Partial<Navigator>).locks;
  if (!locks) return work();
  await locks.request(name, signal ? { signal } : {}, work);
}
