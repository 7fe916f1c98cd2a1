/** A change of one record: all of its content, and the version it was made from. */
export interface RecordChange<Content> {
  readonly version: number;
  readonly content: Content;
}
