const waiting = new Map<string, Promise<unknown>>();

/**
 * Does work one after the other for each name, in the order it was asked for. Commands on one project are planned on what
 * the one before left, and so need no second try; those on others go on beside them.
 */
export function inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  const before = waiting.get(name) ?? Promise.resolve();
  const own = before.then(work, work);
  const settled = own.then(
    () => undefined,
    () => undefined,
  );
  waiting.set(name, settled);
  void settled.then(() => waiting.get(name) === settled && waiting.delete(name));
  return own;
}
