import type { PlaceContent } from '@calm/contract';

/** Trays that find room in a place. */
export const traysIn = ({ zones, traysAPosition }: PlaceContent): number =>
  zones.reduce((sum, { positions }) => sum + positions, 0) * traysAPosition;
