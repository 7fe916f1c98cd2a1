import type { RouteName } from '@calm/contract';

/** Chance that comes out the same for the same seed. */
export interface Dice {
  /** A whole number from 0 to below `most`. */
  below(most: number): number;
  of<T>(items: readonly T[]): T;
}

/** A request as it goes over the wire. */
export interface AbuseRequest {
  readonly route: RouteName;
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly json: unknown;
  readonly body: string | Buffer | undefined;
  /** What is wrong with it, in a few words. */
  readonly how: string;
  /** It must not be taken. */
  readonly isNonsense: boolean;
}
