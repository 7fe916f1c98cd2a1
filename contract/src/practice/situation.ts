/** An evening to be practised, told against what a house takes to be usual. */
export interface Situation {
  /** Of the application's own: under which its words are. Of a house: its own. */
  readonly name: string;
  /** What a house calls it; the application's own are called in each language. */
  readonly title?: string;
  /** From its beginning until the doors open, and from then to closing, min. */
  readonly doorsInMin: number;
  readonly serviceMin: number;
  /** Trays of each dough in the cold as it begins. */
  readonly trays: readonly number[];
  /** Balls that are there for each guest who is expected. */
  readonly ballsPerGuest: number;
  /** Guests who come for each who is expected. */
  readonly guests: number;
  /** How they really come, share by quarter of an hour, summing to 1; as usual when absent. */
  readonly shares?: readonly number[];
  /** How they usually come, where a house knows. */
  readonly usualShares?: readonly number[];
  /** How much warmer the cold really is, since so many hours, and what it shows of that, °C. */
  readonly coldBy: number;
  readonly coldSinceH: number;
  readonly coldShownBy: number;
  /** How much warmer the bench is, °C. */
  readonly benchBy: number;
  /** Of yeast and flour: how strong they are against what is written, 1 as written. */
  readonly yeast: number;
  readonly strength: number;
  /** How much older each dough is than its label says, h; younger when below 0. */
  readonly olderH: readonly number[];
  /** How much warmer each dough came off the mixer than written, °C; as written when absent. */
  readonly doughBy?: readonly number[];
  /** What everything takes of hands against a usual evening: 2 for who is alone. */
  readonly hands: number;
  /** Whether dough can be mixed beside. */
  readonly hasMixer: boolean;
}
