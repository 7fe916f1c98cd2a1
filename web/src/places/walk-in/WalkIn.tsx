import { ComingPlace } from '../../parts/ComingPlace';

/** Not built yet: says what will be here and where to go today. */
export function WalkIn() {
  return <ComingPlace stop="walk-in" today="tonight" />;
}
