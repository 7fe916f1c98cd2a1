import { ComingPlace } from '../../parts/ComingPlace';

/** Not built yet: says what will be here and where to go today. */
export function Formulas() {
  return <ComingPlace stop="formulas" today="mix" />;
}
