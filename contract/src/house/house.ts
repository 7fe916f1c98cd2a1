import type { AcceptedConstant } from '../engine/acceptedConstant';
import type { DeratingPoint, ScaleReadability, WaterMethod, YeastConversion } from '@calm/core';
import type { AlarmCallRules } from '../cold/alarmCalls';
import type { ColdRules, ReadingColumns } from '../cold/probe';
import type { Kitchen } from './kitchen';
import type { DisplayPreferences } from '../access/preferences';
import type { ServiceLevelTarget } from '../demand/serviceLevel';
import type { ReadinessRule } from '../practice/readiness';
import type { PracticeWeek } from '../practice/practiceWeek';
import type { Situation } from '../practice/situation';

/** A site as it appears in a list. */
export interface HouseSummary {
  readonly slug: string;
  readonly name: string;
}

/** A site as it appears in a list, with whether it is worked in. */
export interface ListedHouse extends HouseSummary {
  /** Since which day it is put aside, YYYY-MM-DD; null is worked in. */
  readonly asideOn: string | null;
}

/** What bakes. */
export interface Oven {
  readonly name: string;
  /** From cold until it bakes as it should, min. */
  readonly heatUpMin: number;
  readonly ballsPerHour: number;
}

/** How a house weighs, loses and calculates. Percentages as in the core, temperatures °C. */
export interface HouseSettings {
  readonly residuePercent: number;
  readonly residuePerLoadG: number;
  readonly scaleReadabilityG: ScaleReadability;
  readonly yeastConversion: YeastConversion;
  readonly derating: readonly DeratingPoint[];
  /** By the mixer's own line (by the heat balance until that is known), or by another method always. */
  readonly pourBy: WaterMethod;
  /** The house's own base sum for doughs without a pre-ferment, if it uses one. */
  readonly baseSumC?: number;
  /** What the thermometers usually show, as a first guess on a new sheet. */
  readonly usualTempsC: {
    readonly room: number;
    readonly flour: number;
    readonly tap: number;
    readonly preferment: number;
  };
  readonly ballTolerancePercent: number;
  /** What running out weighs against throwing away; `STANDARD_SERVICE_LEVEL` when the house has not said. */
  readonly serviceLevel?: ServiceLevelTarget;
  /** How sales files were read last time. */
  readonly salesColumns?: SalesColumns;
  /** What it works with; `STANDARD_KITCHEN` when the house has not said. */
  readonly kitchen?: Kitchen;
  /** How high it stands above the sea, m: dough rises more in thinner air. At the sea when absent. */
  readonly altitudeM?: number;
  /** Numbers of its own that it has learned and accepted; as assumed when absent. */
  readonly learned?: readonly AcceptedConstant[];
  /** What bakes; nothing is known of it when absent. */
  readonly ovens?: readonly Oven[];
  /** How it looks after its cold; `STANDARD_COLD_RULES` when the house has not said. */
  readonly cold?: ColdRules;
  /** Whom it tells of alarms; `STANDARD_ALARM_CALLS` when the house has not said. */
  readonly alarmCalls?: AlarmCallRules;
  /** How people read who have not said; `STANDARD_DISPLAY` when the house has not said either. */
  readonly display?: DisplayPreferences;
  /** What costs are in, ISO 4217; `STANDARD_CURRENCY` when the house has not said. */
  readonly currency?: string;
  /** Evenings of its own that are practised; none when absent. */
  readonly situations?: readonly Situation[];
  /** Weeks of its own that are practised; none when absent. */
  readonly weeks?: readonly PracticeWeek[];
  /** What it asks before somebody is planned alone; nothing when absent. */
  readonly readiness?: readonly ReadinessRule[];
  /** How loggers' files were read last time. */
  readonly readingColumns?: ReadingColumns;
  /** Passwords and PINs that a made-up house tells everybody, by people's ids. No real house has them. */
  readonly demoSecrets?: Readonly<Record<string, string>>;
}

/** Which column of a sales file says what, by its title. */
export interface SalesColumns {
  readonly date: string;
  readonly product: string;
  /** Absent: every line is one ball. */
  readonly sold?: string;
  readonly time?: string;
  readonly service?: string;
  readonly soldOut?: string;
  readonly left?: string;
  /** The till's own number of a line: the same number twice is one sale. */
  readonly number?: string;
  readonly dateOrder: 'year-first' | 'day-first' | 'month-first';
  /** A product of the house for each name in the file; null leaves it out. */
  readonly products: Readonly<Record<string, string | null>>;
}

/** The settings that people change in the application, each whole; the made-up secrets of a demo are nobody's to change. */
export type SettingsChange = Partial<Omit<HouseSettings, 'demoSecrets' | 'learned'>> &
  Partial<Pick<House, 'name' | 'timeZone'>> & {
    readonly version: number;
  };

/** A site. */
export interface House extends HouseSummary {
  readonly id: string;
  /** IANA zone; all services and shifts are in it. */
  readonly timeZone: string;
  readonly settings: HouseSettings;
  /** The day on which it is erased for good, YYYY-MM-DD; null is never. */
  readonly eraseOn: string | null;
  /** Since which day it is put aside, YYYY-MM-DD: it can be read, and nothing is written or watched. Null is worked in. */
  readonly asideOn: string | null;
  /** Counts changes of the settings. */
  readonly version: number;
}

/** Days between the wish to erase a house and the day on which it is gone. */
export const ERASED_AFTER_DAYS = 14;

/** The wish to erase a house, with its name: nobody does that by a slip. */
export interface Erasure {
  readonly name: string;
}
