/** A position of a rack: where trays stand. */
export interface Spot {
  readonly placeId: string;
  readonly zone: string;
  /** From 1 at the top. */
  readonly position: number;
}
