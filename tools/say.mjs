/** A failure that is explained in one sentence; everything else is a bug and keeps its stack. */
export class Plain extends Error {}

/**
 * Runs a tool's main function; a Plain failure is one line on standard error and exit code 1.
 *
 * @param {() => Promise<void>} main
 */
export async function runTool(main) {
  try {
    await main();
  } catch (error) {
    if (!(error instanceof Plain)) throw error;
    process.stderr.write(`\n${error.message}\n`);
    process.exitCode = 1;
  }
}

/** @param {string} text */
export function say(text) {
  process.stdout.write(`${text}\n`);
}
