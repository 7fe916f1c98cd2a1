/** What one service sold of one product. */
export interface SoldBalls {
  readonly sold: number;
  /** Minutes from local midnight when the last ball went; null when they lasted. */
  readonly soldOutMin: number | null;
  /** Balls counted at the end that are kept; null when nobody counted. */
  readonly leftBalls: number | null;
}

/** What one service sold of one product, where and when. */
export interface Sale extends SoldBalls {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly version: number;
}

/** A new record of a sale. Null takes it out. */
export interface SaleChange {
  readonly sale: SoldBalls | null;
  readonly version: number;
}

/** A sale as a file tells it; what the file does not tell is undefined. */
export interface ImportedSale {
  readonly date: string;
  readonly patternId: string;
  readonly productId: string;
  readonly sold: number;
  readonly soldOutMin?: number;
  readonly leftBalls?: number;
  /** Balls of each quarter hour, `[quarter, balls]`, where the file has times. */
  readonly quarters?: readonly (readonly [quarter: number, balls: number])[];
}

/** Services × products in one request of a file that is brought in. */
export const SALES_A_REQUEST = 4000;

/** History from a file, some rows at a time. The same rows twice are there once. */
export interface SalesImport {
  readonly sales: readonly ImportedSale[];
  /** What is done where the house has another number. */
  readonly over: 'keep' | 'replace';
  /** Only says what would change. */
  readonly isTrial: boolean;
}

/** What bringing in came to, services × products. */
export interface SalesImportResult {
  readonly added: number;
  readonly same: number;
  readonly different: number;
}

/** One sale as a till posts it. */
export interface TillSale {
  /** The till's own number: the same number twice is one sale. */
  readonly number: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly productId: string;
  /** Less than none takes a sale back. */
  readonly balls: number;
}

/** What became of a till's sales. */
export interface TillAnswer {
  readonly added: number;
  /** Posted before. */
  readonly known: number;
  /** Outside every service, with their numbers: they are not counted anywhere. */
  readonly outside: readonly string[];
  /** They take back more than the till had sold at that service, with their numbers: not counted. */
  readonly overdrawn: readonly string[];
}
