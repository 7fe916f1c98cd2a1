import { fail, ok, stageKey } from '@calm/core';
import { adviseLoad, aheadSteps, isServiceTask, markAfter, scaleRecipe } from '@calm/domain';
import {
  AHEAD_STEP,
  type LoadChange,
  type LoadRecord,
  type LossChange,
  type Lot,
  type Mark,
  type MarkChange,
  type NoteChange,
  type WithdrawChange,
  PROOF_TEST_STEP,
} from '@calm/contract';
import { personRepository } from '../../store/access/crew';
import { updateLoad } from '../../store/lots/loads';
import { activeKeyOf, findActiveLot, findLot, findLotRow, updateLot } from '../../store/lots/lots';
import { readMark, writeMark } from '../../store/lots/marks';
import type { Scope } from '../../database/scope';
import { seenAt } from './records';
import { noteChange } from '../access/recordWrite';
import { badInput, type Refused, type Result } from '../result';

const NO_LOT: Refused = fail({ kind: 'not-found', what: 'lot' });

/** Writes what the thermometers showed at one load, and the water that asks for. */
export async function changeLoad(
  scope: Scope,
  lotId: string,
  number: number,
  change: LoadChange,
): Promise<Result<LoadRecord>> {
  const lot = await findLot(scope, lotId);
  const load = lot?.loads.find((l) => l.number === number);
  if (!lot) return NO_LOT;
  if (!load) return fail({ kind: 'not-found', what: 'load' });
  const scaled = scaleRecipe(lot.recipe, lot.items);
  const bowl = scaled.ok ? scaled.value.loads[0] : undefined;
  const { version, ...temps } = change;
  const waterTempC = bowl
    ? adviseLoad(lot.recipe, bowl, temps, load.frictionC).pourTempC
    : load.waterTempC;
  const isWritten = await updateLoad(scope, lotId, number, version, { ...temps, waterTempC });
  const current = (await findLot(scope, lotId))?.loads.find((l) => l.number === number);
  if (!current) return NO_LOT;
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  noteChange(scope, 'load', `${lotId}/${number}`, load, current);
  return ok(current);
}

/** Writes how a step stands: begun, done, given more time, skipped, handed to somebody. */
export async function changeMark(
  scope: Scope,
  lotId: string,
  { loadNumber, stepKey }: { loadNumber: number; stepKey: string },
  { at, ...change }: MarkChange,
  now: Date,
): Promise<Result<Mark>> {
  const lot = await findLot(scope, lotId);
  if (!lot) return NO_LOT;
  const isLoad = loadNumber === 0 || lot.loads.some((l) => l.number === loadNumber);
  if (!isLoad) return fail({ kind: 'not-found', what: 'load' });
  const isKnown =
    stepKeysOf(lot, loadNumber).includes(stepKey) || (loadNumber === 0 && isServiceTask(stepKey));
  if (!isKnown) return fail({ kind: 'not-found', what: 'step' });
  if (change.personId && !(await personRepository.find(scope, change.personId))) {
    return badInput('personId', 'id.unknown', 'There is no such person on the crew.');
  }
  const seen = seenAt(at, now);
  if (!seen.ok) return seen;
  const before = await readMark(scope, lotId, loadNumber, stepKey);
  const after = markAfter(before, change, seen.value.toISOString());
  const isWritten = before.version === change.version && (await writeMark(scope, lotId, after));
  const current = isWritten ? after : await readMark(scope, lotId, loadNumber, stepKey);
  if (!isWritten) return fail({ kind: 'stale', current, sent: change });
  noteChange(scope, 'mark', `${lotId}/${loadNumber}/${stepKey}`, before, current);
  return ok(current);
}

/** The steps that can be marked: those of the method at a load, the stages of the route at the whole lot. */
const stepKeysOf = ({ recipe }: Lot, loadNumber: number): string[] =>
  loadNumber > 0
    ? recipe.method.steps.map(({ key }) => key)
    : [
        ...recipe.route.map(({ key }, index) => stageKey({ index, key })),
        ...aheadSteps(recipe).map(({ key }) => `${AHEAD_STEP}${key}`),
        PROOF_TEST_STEP,
      ];

/** Writes the note that is pinned to a lot. */
export async function changeNote(
  scope: Scope,
  lotId: string,
  { note, version }: NoteChange,
): Promise<Result<Lot>> {
  return changeOfLot(scope, lotId, { note }, { note, version });
}

/** Writes what a lot left behind and what was trimmed off. */
export async function changeLosses(
  scope: Scope,
  lotId: string,
  change: LossChange,
): Promise<Result<Lot>> {
  const { leftG, trimG } = change;
  return changeOfLot(scope, lotId, { leftG, trimG }, change);
}

/** Writes columns of a lot over the version that was read. */
async function changeOfLot(
  scope: Scope,
  lotId: string,
  columns: Parameters<typeof updateLot>[3],
  sent: NoteChange | LossChange,
): Promise<Result<Lot>> {
  const before = await findLot(scope, lotId);
  const isWritten = await updateLot(scope, lotId, sent.version, columns);
  const current = await findLot(scope, lotId);
  if (!current) return NO_LOT;
  if (!isWritten) return fail({ kind: 'stale', current, sent });
  noteChange(scope, 'lot', lotId, before, current);
  return ok(current);
}

/** Takes a lot back that was started by mistake, or restores it. Nothing of it is lost. */
export async function withdrawLot(
  scope: Scope,
  lotId: string,
  { isWithdrawn, version }: WithdrawChange,
): Promise<Result<{ version: number; isWithdrawn: boolean }>> {
  const row = await findLotRow(scope, lotId);
  if (!row) return NO_LOT;
  const key = activeKeyOf(row.formulaId, row.routeId, row.serviceDate);
  const other = isWithdrawn ? null : await findActiveLot(scope, key);
  if (other && other.id !== lotId) return fail({ kind: 'already-started', current: other });
  const activeKey = isWithdrawn ? null : key;
  const isWritten = await updateLot(scope, lotId, version, { activeKey });
  noteChange(scope, 'lot', lotId, { isWithdrawn: row.activeKey === null }, { isWithdrawn });
  // What it left behind is learned from no more, or again.
  scope.alsoWritten?.add('losses');
  return isWritten
    ? ok({ version: version + 1, isWithdrawn })
    : fail({
        kind: 'stale',
        current: { version: row.version, isWithdrawn: row.activeKey === null },
        sent: { isWithdrawn, version },
      });
}
