/** A public holiday. */
export interface Holiday {
  /** Local date. */
  readonly date: string;
  readonly name: string;
}

/** The public holidays of a country in a year, and its parts that have some of their own. */
export interface HolidaysAnswer {
  readonly days: readonly Holiday[];
  readonly regions: readonly { readonly code: string; readonly name: string }[];
}
