import { ComingPlace } from '../../parts/ComingPlace';

/** Not built yet: says what will be here and where to go today. */
export function Crew() {
  return <ComingPlace stop="crew" today="plan" />;
}
