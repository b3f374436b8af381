const plain = !process.stdout.isTTY;
const dim = (text) => (plain ? text : `\u001b[2m${text}\u001b[0m`);

/** Says what is being done, one line a step. */
export function say(text) {
  process.stdout.write(`${dim('·')} ${text}\n`);
}

/**
 * Ends the command with a sentence that says what to do.
 * @param {string} text
 * @returns {never}
 */
export function giveUp(text) {
  process.stderr.write(`\n${text}\n`);
  process.exit(1);
}
