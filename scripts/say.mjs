/** Says what set-up is doing, on standard error so that output of commands stays clean. */
export const say = (message) => process.stderr.write(`  ${message}\n`);

/** Ends the program with one readable line. */
export function giveUp(message) {
  process.stderr.write(`\n  ${message}\n\n`);
  process.exit(1);
}
