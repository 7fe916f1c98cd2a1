import { adviseCommand } from './adviseCommand';
import { badInput, type Answer } from './answer';
import { diagnoseCommand } from './diagnoseCommand';
import { doseCommand } from './doseCommand';
import { equivalentCommand } from './equivalentCommand';
import { learnCommand } from './learnCommand';
import { narrowCommand } from './narrowCommand';
import { planCommand } from './planCommand';
import { readyCommand } from './readyCommand';
import { scaleCommand } from './scaleCommand';
import { simulateCommand } from './simulateCommand';
import { waterCommand } from './waterCommand';
import { waveCommand } from './waveCommand';

const commands: Readonly<Record<string, (input: unknown) => Answer>> = {
  scale: scaleCommand,
  water: waterCommand,
  simulate: simulateCommand,
  dose: doseCommand,
  plan: planCommand,
  wave: waveCommand,
  ready: readyCommand,
  learn: learnCommand,
  narrow: narrowCommand,
  diagnose: diagnoseCommand,
  advise: adviseCommand,
  equivalent: equivalentCommand,
};

/**
 * Runs one command on one JSON text.
 *
 * @param name e.g. `scale`
 * @param json the whole document
 */
export function runCommand(name: string | undefined, json: string): Answer {
  const command = commands[name ?? ''];
  if (!command) {
    const known = Object.keys(commands).join(', ');
    return badInput(`No command "${name ?? ''}". There is: ${known}.`, 'command.unknown');
  }
  let input: unknown;
  try {
    input = JSON.parse(json);
  } catch (error) {
    return badInput(`This is not JSON: ${(error as Error).message}`, 'json.invalid');
  }
  return command(input);
}
