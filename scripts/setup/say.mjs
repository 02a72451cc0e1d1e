/** One line about what set-up is doing. */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** Ends set-up with a reason the user can act on. */
export class SetupError extends Error {}
