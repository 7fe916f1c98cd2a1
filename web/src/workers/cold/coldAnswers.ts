import type { ColdAssumption, ColdQuestion } from '@calm/domain';
import type {
  ColdSystemFault,
  LoadIn,
  LoadInEffect,
  LoadInWay,
  NoFit,
  Result,
  ReadyWindow,
  RoomFit,
} from '@calm/core';

/** Balls of a lot in a what-if. */
export interface AssumedPortion {
  readonly key: string;
  readonly code: string;
  readonly productId: string;
  readonly zone: string | null;
  readonly placeId: string;
  readonly mixedMs: number;
  readonly window: ReadyWindow;
}

/** What would come of a what-if. */
export interface AssumedCold {
  readonly rooms: readonly {
    readonly placeId: string;
    readonly fromS: number;
    readonly stepS: number;
    readonly airC: Float64Array;
  }[];
  readonly parts: readonly AssumedPortion[];
}

/** A room's fit with what its zones' probes say. */
export interface PlaceFit extends RoomFit {
  /** How much warmer than the room's air each zone is, °C. */
  readonly zonesC: Readonly<Record<string, number>>;
}

/** What would come of it, next to what comes as it goes. */
export type WhatIfAnswer = Result<
  { readonly now: AssumedCold; readonly assumption: AssumedCold },
  ColdSystemFault
>;

/** Warm trays of a lot, and when the first of them go in, epoch ms. */
export type WarmTrays = Omit<LoadIn, 'fromHour' | 'route'> & {
  readonly fromMs: number;
  readonly lotKey: string;
  readonly doughC: number;
};
export type LoadInAnswer = Result<
  {
    readonly effects: readonly LoadInEffect[];
    /** Spaced trays that may go in at once. */
    readonly mostAtOnce: number;
  },
  ColdSystemFault
>;

/** What can be asked about the cold, in a worker. */
export interface ColdInWorker {
  /** As everything stands, and as if; the same lots in the same order. */
  whatIf(question: ColdQuestion, assumptions: readonly ColdAssumption[]): WhatIfAnswer;
  loadIn(
    question: ColdQuestion,
    load: WarmTrays,
    ways: readonly LoadInWay[],
    limitC: number,
  ): LoadInAnswer;
  fit(
    question: ColdQuestion,
    placeId: string,
    except: readonly { readonly fromMs: number; readonly untilMs: number }[],
  ): Result<PlaceFit, NoFit>;
}
