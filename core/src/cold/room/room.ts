/** A cold room's own numbers. Starting values for a small walk-in; the house's readings correct them. */
export interface Room {
  /** Air, walls and racks together, J/K; what stands in it comes on top. */
  readonly heatCapacityJPerK: number;
  /** Through walls and gaps with the door shut, W/K. */
  readonly lossWPerK: number;
  /** Further loss while the door stands open, W/K. */
  readonly doorWPerK: number;
  /** What the thermostat holds, °C, … */
  readonly setC: number;
  /** … by switching this far above and below, °C. */
  readonly deadBandC: number;
  /** What the compressor can take out, W. */
  readonly coolingW: number;
  readonly defrost: Defrost | null;
  /** How much warmer than the room's air each zone is, °C. */
  readonly zonesC: Readonly<Record<string, number>>;
}

/** The coil's own thaw: cooling stops, a heater runs. */
export interface Defrost {
  readonly everyH: number;
  readonly minutes: number;
  readonly heaterW: number;
  /** When one begins, hours on the clock that the setting's `clockHour` counts; 0 when it is not known. */
  readonly phaseH?: number;
}

/** A small walk-in with the usual racks. */
export const USUAL_ROOM: Room = {
  heatCapacityJPerK: 250_000,
  lossWPerK: 25,
  doorWPerK: 180,
  setC: 4,
  deadBandC: 0.75,
  coolingW: 1800,
  defrost: { everyH: 8, minutes: 20, heaterW: 600 },
  zonesC: {},
};

/**
 * An under-counter fridge, until its own readings say otherwise: little air and metal, thin walls, a door that lets
 * much of it out. Starting values, between those of small cabinets.
 *
 * @example
 * const fridge: Room = { ...USUAL_UNDER_COUNTER, setC: 3 };
 */
export const USUAL_UNDER_COUNTER: Room = {
  ...USUAL_ROOM,
  heatCapacityJPerK: 40_000,
  lossWPerK: 4,
  doorWPerK: 20,
  coolingW: 320,
  setC: 4,
  defrost: null,
  zonesC: { inside: 0 },
};

/** How far a room's numbers may plausibly be off, as a factor; the set point in °C. */
export const ROOM_OFF_BY = {
  heatCapacityJPerK: 1.6,
  lossWPerK: 1.6,
  coolingW: 1.35,
  setC: 1,
} as const;

/** A room's air, changed in place step by step. */
export interface RoomAir {
  airC: number;
  isCooling: boolean;
  /** Mean air over the last step, °C: what its dough felt. */
  meanC: number;
  /** Heat the compressor has taken out since the start, J. */
  cooledJ: number;
}

/** Air at rest. @param airC °C */
export const airAt = (airC: number): RoomAir => ({
  airC,
  isCooling: false,
  meanC: airC,
  cooledJ: 0,
});

/** What works on a room's air during a step. */
export interface RoomDrive {
  outsideC: number;
  /** Share of the step that the door is open, 0–1. */
  doorShare: number;
  /** Share of the compressor that works, 0–1. */
  coolingShare: number;
  /** How much warmer than it is set the thermostat holds the air, °C. */
  setOffC: number;
  /** Heat from the defrost heater, W. */
  heaterW: number;
  /** Heat from what stands in it: `loadAtZeroW − loadWPerK × air`, W. */
  loadAtZeroW: number;
  loadWPerK: number;
}

/** A thermostat cannot switch more often than this in one step. */
const MOST_SWITCHES = 200;
const { expm1, log } = Math;

/**
 * One step of a cold room's air, in place: C·dT/dt = UA·(outside − T) + load + door + defrost −
 * cooling. Between two switchings of the thermostat the air follows an exponential exactly, so the
 * step may be longer than a compressor's run and energy still adds up to rounding.
 *
 * @param stepS seconds
 */
export function stepRoom(room: Room, air: RoomAir, drive: RoomDrive, stepS: number): void {
  const toOutside = room.lossWPerK + drive.doorShare * room.doorWPerK;
  const pullWPerK = toOutside + drive.loadWPerK;
  const warmingW = toOutside * drive.outsideC + drive.loadAtZeroW + drive.heaterW;
  const coolingW = room.coolingW * drive.coolingShare;
  const timeS = room.heatCapacityJPerK / pullWPerK;
  const setC = room.setC + drive.setOffC;

  let { airC, isCooling } = air;
  let leftS = stepS;
  let degreeSeconds = 0;
  for (let i = 0; leftS > 0; i += 1) {
    isCooling = thermostat(setC, room.deadBandC, airC, isCooling);
    const endsAtC = (warmingW - (isCooling ? coolingW : 0)) / pullWPerK;
    const switchC = setC + (isCooling ? -room.deadBandC : room.deadBandC);
    const untilS = i < MOST_SWITCHES ? timeTo(switchC, airC, endsAtC, timeS) : Infinity;
    const passS = Math.min(leftS, untilS);
    const faded = -expm1(-passS / timeS);
    degreeSeconds += endsAtC * passS + (airC - endsAtC) * timeS * faded;
    if (isCooling) air.cooledJ += coolingW * passS;
    airC = passS === untilS ? switchC : airC + (endsAtC - airC) * faded;
    leftS -= passS;
  }
  air.airC = airC;
  air.isCooling = isCooling;
  air.meanC = degreeSeconds / stepS;
}

/** Runs from the upper switching point down to the lower one. */
function thermostat(setC: number, deadBandC: number, airC: number, isCooling: boolean): boolean {
  if (airC >= setC + deadBandC) return true;
  if (airC <= setC - deadBandC) return false;
  return isCooling;
}

/** Seconds until air that is on its way to `endsAtC` gets to a temperature; Infinity if it never does. */
function timeTo(tempC: number, airC: number, endsAtC: number, timeS: number): number {
  const share = (tempC - endsAtC) / (airC - endsAtC);
  return share > 0 && share < 1 ? -timeS * log(share) : Infinity;
}
