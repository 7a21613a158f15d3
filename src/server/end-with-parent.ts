/**
 * Calls back when the process that began this one is gone, however it went: it holds the other end of standard input. A
 * process that was begun by hand, without that, goes on.
 */
export function endWithParent(end: () => void): void {
  if (process.env.ENDS_WITH_PARENT !== '1') return;
  process.stdin.on('end', end).on('error', end).resume();
}
