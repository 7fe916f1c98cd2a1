import type { Flat } from './flatState';

/** Each room's air over the step, exactly between its thermostat's switches. */
export function stepRooms(flat: Flat, tick: number): void {
  const { stepH, stepS, air, roomMean, cooling, loadAtZero, loadPerK, room } = flat;
  for (let r = 0; r < flat.week.rooms; r += 1) {
    const hour = tick * stepH;
    const round = Math.floor((hour + stepH) / (room.defrost?.everyH ?? Infinity));
    const start = round * (room.defrost?.everyH ?? 0);
    const lasts = (room.defrost?.minutes ?? 0) / 60;
    const thaw =
      round < 1
        ? 0
        : Math.max(0, Math.min(hour + stepH, start + lasts) - Math.max(hour, start)) / stepH;
    const toOut = room.lossWPerK + flat.week.doorShare * room.doorWPerK;
    const pull = toOut + loadPerK[r]!;
    const warming =
      toOut * flat.week.outsideC + loadAtZero[r]! + thaw * (room.defrost?.heaterW ?? 0);
    const timeS = room.heatCapacityJPerK / pull;
    let left = stepS;
    let sum = 0;
    let a = air[r]!;
    while (left > 0) {
      if (a >= room.setC + room.deadBandC) cooling[r] = 1;
      else if (a <= room.setC - room.deadBandC) cooling[r] = 0;
      const ends = (warming - (cooling[r] ? room.coolingW * (1 - thaw) : 0)) / pull;
      const to = room.setC + (cooling[r] ? -room.deadBandC : room.deadBandC);
      const part = (to - ends) / (a - ends);
      const untilS = part > 0 && part < 1 ? -timeS * Math.log(part) : Infinity;
      const pass = Math.min(left, untilS);
      const faded = -Math.expm1(-pass / timeS);
      sum += ends * pass + (a - ends) * timeS * faded;
      a = pass === untilS ? to : a + (ends - a) * faded;
      left -= pass;
    }
    air[r] = a;
    roomMean[r] = sum / stepS;
  }
}
