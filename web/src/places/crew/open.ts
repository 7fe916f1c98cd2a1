import type { CrewMember, ShiftException, ShiftPattern } from '@calm/contract';

/** What is open for writing; null makes a new one. */
export type Open =
  | { readonly kind: 'person'; readonly of: CrewMember | null }
  | {
      readonly kind: 'shift';
      readonly of: ShiftPattern | null;
      readonly personId: string;
      readonly weekday: number;
    }
  | { readonly kind: 'day'; readonly of: ShiftException | null };
