import type { PlannedWork } from './countBack';
import type { Skill } from '../../formula/route';

/** One person's time at work. Instants are epoch milliseconds. */
export interface ShiftTime {
  readonly personId: string;
  readonly skills: readonly Skill[];
  readonly startMs: number;
  readonly endMs: number;
}

/** Who can do a piece of work, or why nobody can. */
export type Coverage =
  | { readonly kind: 'covered'; readonly personIds: readonly string[] }
  /** Enough skilled people, but not for the whole of it. */
  | { readonly kind: 'shift-too-short'; readonly personIds: readonly string[] }
  /** People are in, but too few with the skill. */
  | { readonly kind: 'skill-missing'; readonly onShift: readonly string[] }
  | { readonly kind: 'outside-every-shift' };

/**
 * Who is on shift for a piece of work.
 *
 * @param work with its start, end, skill and number of people
 * @param shifts all shifts near that time, in any order
 */
export function coverageOf(work: PlannedWork, shifts: readonly ShiftTime[]): Coverage {
  const present = shifts.filter((s) => s.startMs < work.endMs && s.endMs > work.startMs);
  const skilled = present.filter((s) => s.skills.includes(work.skill));
  const throughout = skilled.filter((s) => s.startMs <= work.startMs && s.endMs >= work.endMs);
  const ids = (list: readonly ShiftTime[]) => [...new Set(list.map((s) => s.personId))];

  if (ids(throughout).length >= work.people) return { kind: 'covered', personIds: ids(throughout) };
  if (ids(skilled).length >= work.people) {
    return { kind: 'shift-too-short', personIds: ids(skilled) };
  }
  if (present.length > 0) return { kind: 'skill-missing', onShift: ids(present) };
  return { kind: 'outside-every-shift' };
}
