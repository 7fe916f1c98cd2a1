/** What stands on the shelves that people add to and take from. */
export type RecordName =
  | 'product'
  | 'route'
  | 'ingredient'
  | 'event'
  | 'booking'
  | 'service'
  | 'exception'
  | 'place'
  | 'mixer'
  | 'person'
  | 'shift'
  | 'shift-exception'
  | 'probe';
