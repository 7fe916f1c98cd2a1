import { fail, type Result } from '../../result';
import { findDose, type Dose, type DoseLimit, type DoseRequest } from './dose';
import { alternativesTo, type DoseAlternative } from './doseAlternatives';
import { LEAST_DOSE_PERCENT } from './doseLadder';
import { routeFaults, type RouteFault } from '../route/doughRoute';

/** Why not, and what would work, nearest to what was asked first. */
export type DoseRefusal =
  | { readonly kind: 'bad-route'; readonly faults: readonly RouteFault[] }
  | {
      readonly kind: 'no-dose';
      readonly reasons: readonly DoseLimit[];
      readonly alternatives: readonly DoseAlternative[];
    };

/**
 * The yeast dose that puts the peak where it is wanted, or what would work instead.
 *
 * @returns the dose in the formula's form, or why none can do it and what would
 */
export function solveDose(request: DoseRequest): Result<Dose, DoseRefusal> {
  const faults = routeFaults(request.route, LEAST_DOSE_PERCENT);
  if (faults.length > 0) return fail({ kind: 'bad-route', faults });
  const dose = findDose(request);
  if (dose.ok) return dose;
  const reasons = dose.reasons as readonly DoseLimit[];
  return fail({ kind: 'no-dose', reasons, alternatives: alternativesTo(request) });
}
