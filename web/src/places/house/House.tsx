import { ComingPlace } from './ComingPlace';

/** Not built yet: says what will be here and where to go today. */
export function House() {
  return <ComingPlace stop="house" today="mix" />;
}
