import { at, type Course } from './course';

/** How long a dough is warmer than something, by its warmest part. */
export interface TimeAbove {
  /** From the mixer to the moment asked about. */
  readonly minutes: number;
  /** When it has been so long in all, hours from the mixer; null where that does not come. */
  readonly overHour: number | null;
}

/**
 * How long a dough has been above a temperature in all, whatever cold came between: times add up, however short each
 * was. The warmest of core and mean counts, so that neither a warm middle nor a warm skin is passed over.
 *
 * @param untilHour the moment asked about, hours from the mixer
 * @param mostMin after so many minutes in all it is over
 */
export function timeAbove(
  course: Course,
  { aboveC, mostMin }: { readonly aboveC: number; readonly mostMin: number },
  untilHour: number,
): TimeAbove {
  const warmest = (i: number) => Math.max(at(course.coreTempsC, i), at(course.meanTempsC, i));
  let [minutes, sum] = [0, 0];
  let overHour: number | null = null;
  for (let i = 1; i < course.length; i += 1) {
    const [fromHour, toHour] = [at(course.hours, i - 1), at(course.hours, i)];
    const share = shareAbove(warmest(i - 1), warmest(i), aboveC);
    const spanMin = (toHour - fromHour) * 60 * share;
    if (overHour === null && sum + spanMin > mostMin) {
      overHour = fromHour + ((mostMin - sum) / spanMin) * (toHour - fromHour);
    }
    sum += spanMin;
    const seen = Math.min(
      1,
      Math.max(0, (untilHour - fromHour) / Math.max(1e-9, toHour - fromHour)),
    );
    minutes += spanMin * seen;
  }
  return { minutes, overHour };
}

/** The share of a straight line between two temperatures that lies above a third. */
function shareAbove(fromC: number, toC: number, aboveC: number): number {
  const [low, high] = [Math.min(fromC, toC), Math.max(fromC, toC)];
  if (low > aboveC) return 1;
  if (high <= aboveC) return 0;
  return (high - aboveC) / (high - low);
}
