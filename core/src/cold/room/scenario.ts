import type { Defrost, Room, RoomDrive } from './room';

/** Something that happens to a room. Hours count from the simulation's start. */
export type RoomEvent = { readonly fromHour: number; readonly hours: number } & (
  | { readonly kind: 'power-cut' }
  | { readonly kind: 'compressor-out' }
  /** Only this share of its cooling is left, 0–1. */
  | { readonly kind: 'compressor-weak'; readonly share: number }
  /** The thermostat holds the air so much warmer than it is set, °C. */
  | { readonly kind: 'thermostat-off'; readonly warmerC: number }
  | { readonly kind: 'door-open' }
  | { readonly kind: 'heatwave'; readonly warmerC: number }
);

/** A room's surroundings over time. */
export interface RoomSetting {
  readonly outsideC: number;
  /** Minutes per hour that the door stands open as people come and go. */
  readonly doorMinPerH: number;
  readonly events: readonly RoomEvent[];
  /** Hour 0 on the clock by which the coil thaws; without it the first thaw is one interval after the start. */
  readonly clockHour?: number;
}

/** A quiet day in a kitchen. */
export const USUAL_SETTING: RoomSetting = { outsideC: 24, doorMinPerH: 1.5, events: [] };

/** Everything but the load that works on a room between two hours, written into its drive. */
export function setDrive(
  drive: RoomDrive,
  room: Room,
  setting: RoomSetting,
  fromHour: number,
  toHour: number,
): void {
  let outsideC = setting.outsideC;
  let doorShare = setting.doorMinPerH / 60;
  let powerShare = 1;
  let compressorShare = 1;
  let setOffC = 0;
  for (const event of setting.events) {
    const share = overlap(fromHour, toHour, event.fromHour, event.fromHour + event.hours);
    if (share === 0) continue;
    if (event.kind === 'power-cut') powerShare -= share;
    else if (event.kind === 'compressor-out') compressorShare -= share;
    else if (event.kind === 'compressor-weak') compressorShare -= share * (1 - event.share);
    else if (event.kind === 'thermostat-off') setOffC += share * event.warmerC;
    else if (event.kind === 'door-open') doorShare += share;
    else outsideC += share * event.warmerC;
  }
  const power = Math.max(0, powerShare);
  const defrostShare = room.defrost
    ? defrosting(room.defrost, setting.clockHour, fromHour, toHour)
    : 0;
  drive.outsideC = outsideC;
  drive.doorShare = Math.min(1, doorShare);
  drive.coolingShare = power * Math.max(0, Math.min(compressorShare, 1 - defrostShare));
  drive.setOffC = setOffC;
  drive.heaterW = power * defrostShare * (room.defrost?.heaterW ?? 0);
}

/** Share of [from, to] that lies in [start, end]. */
function overlap(from: number, to: number, start: number, end: number): number {
  return Math.max(0, Math.min(to, end) - Math.max(from, start)) / (to - from);
}

/** Share of [from, to] spent defrosting: by the clock where there is one. */
function defrosting(
  { everyH, minutes, phaseH = 0 }: Defrost,
  clockHour: number | undefined,
  from: number,
  to: number,
): number {
  const sinceH = clockHour === undefined ? 0 : clockHour - phaseH;
  const round = Math.floor((to + sinceH) / everyH);
  if (clockHour === undefined && round < 1) return 0;
  const start = round * everyH - sinceH;
  return overlap(from, to, start, start + minutes / 60);
}
