/**
 * How many times as much room dough takes as it did, by a mark: in a tub with upright walls as its height, of a ball
 * as the cube of its width. A ball that lies keeps its shape nearly while it rises; what it flattens besides is in
 * the scatter of a mark.
 *
 * @param from its height, or the ball's width, when it was mixed or shaped; in any measure
 * @param now the same, later, in the same measure
 * @throws RangeError when either is nothing
 * @example risenBy('tub', 12, 24) // 2
 * @example risenBy('ball', 9, 11.34) // 2.0
 */
export function risenBy(on: 'tub' | 'ball', from: number, now: number): number {
  if (!(from > 0) || !(now > 0)) throw new RangeError('a mark is a length');
  return on === 'tub' ? now / from : (now / from) ** 3;
}
