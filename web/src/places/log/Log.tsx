import { ComingPlace } from '../../parts/ComingPlace';

/** Not built yet: says what will be here and where to go today. */
export function Log() {
  return <ComingPlace stop="log" today="mix" />;
}
