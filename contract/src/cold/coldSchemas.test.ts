import { describe, expect, it } from '@jest/globals';
import {
  acknowledgementSchema,
  check,
  coldNoteStartSchema,
  coldRulesSchema,
  placeSchema,
  probeSchema,
  readingsStartSchema,
  recordStartSchema,
  settingsChangeSchema,
} from '../schemas';
import { READINGS_A_REQUEST, STANDARD_COLD_RULES } from './probe';
import { correctionC } from '@calm/domain';

const ID = '00000000-0000-4000-8000-000000000000';
const AT_S = 1_795_000_000;
const spot = { placeId: ID, zone: 'back', position: 3 };
const isTaken = (schema: Parameters<typeof check>[0], value: unknown) =>
  check(schema, value, false).ok;

describe('readings that are posted', () => {
  const start = (atS: readonly unknown[], airC: readonly unknown[]) => ({
    probes: [{ probe: 'Walk-in back', atS, airC }],
  });

  it('have a temperature for each moment, of this century and of this world', () => {
    expect(isTaken(readingsStartSchema, start([AT_S], [3.4]))).toBe(true);
    expect(isTaken(readingsStartSchema, start([AT_S, AT_S + 60], [3.4]))).toBe(false);
    expect(isTaken(readingsStartSchema, start([], []))).toBe(false);
    expect(isTaken(readingsStartSchema, start([12], [3.4]))).toBe(false);
    expect(isTaken(readingsStartSchema, start([AT_S + 0.5], [3.4]))).toBe(false);
    expect(isTaken(readingsStartSchema, start([AT_S], [999]))).toBe(false);
    expect(isTaken(readingsStartSchema, start([AT_S], ['3.4']))).toBe(false);
  });

  it('are not more in all than one post may bring', () => {
    const some = Array.from({ length: READINGS_A_REQUEST / 2 + 1 }, (_, i) => AT_S + i);
    const probe = (name: string) => ({ probe: name, atS: some, airC: some.map(() => 3) });
    expect(isTaken(readingsStartSchema, { probes: [probe('a')] })).toBe(true);
    expect(isTaken(readingsStartSchema, { probes: [probe('a'), probe('b')] })).toBe(false);
  });
});

describe('what is kept of the cold', () => {
  const probe = { name: 'Walk-in back', placeId: ID, zone: 'back', calibrations: [] };

  it('names a probe and where it hangs; corrections have their day', () => {
    expect(isTaken(probeSchema, probe)).toBe(true);
    expect(isTaken(probeSchema, { ...probe, name: '  ' })).toBe(false);
    expect(isTaken(probeSchema, { ...probe, extra: 1 })).toBe(false);
    const from = '2026-11-01T08:00:00.000Z';
    const calibrations = [{ from, offsetC: -0.4 }];
    expect(isTaken(probeSchema, { ...probe, calibrations })).toBe(true);
    expect(isTaken(probeSchema, { ...probe, calibrations: [{ from, offsetC: 40 }] })).toBe(false);
    expect(correctionC({ ...probe, calibrations }, Date.parse(from) / 1000 + 1)).toBe(-0.4);
    expect(correctionC(probe, AT_S)).toBe(0);
  });

  it('is a round, or something done, in words', () => {
    const round = { kind: 'round', placeId: ID, zone: 'back', airC: 4.2 };
    const action = { kind: 'action', placeId: ID, note: 'Shut the door.' };
    for (const content of [round, action]) {
      expect(isTaken(coldNoteStartSchema, { id: ID, content })).toBe(true);
    }
    expect(isTaken(coldNoteStartSchema, { id: ID, content: { ...action, note: ' ' } })).toBe(false);
    expect(isTaken(coldNoteStartSchema, { id: ID, content: { ...round, airC: 90 } })).toBe(false);
    expect(isTaken(coldNoteStartSchema, { id: ID, content: { kind: 'other' } })).toBe(false);
  });

  it('is somebody’s, with what they found or nothing yet', () => {
    expect(isTaken(acknowledgementSchema, { version: 1, cause: 'door', note: '' })).toBe(true);
    expect(isTaken(acknowledgementSchema, { version: 1, cause: null, note: '' })).toBe(true);
    expect(isTaken(acknowledgementSchema, { version: 1, cause: 'ghosts', note: '' })).toBe(false);
  });

  it('is told by rules that a house sets whole', () => {
    expect(isTaken(coldRulesSchema, STANDARD_COLD_RULES)).toBe(true);
    expect(isTaken(settingsChangeSchema, { version: 1, cold: STANDARD_COLD_RULES })).toBe(true);
    const { limitC: _, ...less } = STANDARD_COLD_RULES;
    expect(isTaken(coldRulesSchema, less)).toBe(false);
    const twice = { ...STANDARD_COLD_RULES, roundMins: [600, 600] };
    expect(isTaken(coldRulesSchema, twice)).toBe(false);
  });
});

describe('trays on record', () => {
  const record = (content: object) => isTaken(recordStartSchema, { id: ID, content });
  const moved = { kind: 'moved', productId: ID, from: null, to: spot, trays: 2, balls: 24 };

  it('are moved from and to a position, or from outside and to it', () => {
    expect(record(moved)).toBe(true);
    expect(record({ ...moved, from: spot, to: null })).toBe(true);
    expect(record({ ...moved, to: { ...spot, position: 0 } })).toBe(false);
    expect(record({ ...moved, trays: 1.5 })).toBe(false);
    const { to: _, ...nowhere } = moved;
    expect(record(nowhere)).toBe(false);
  });

  it('are discarded with a word or without, and put first or not', () => {
    const discarded = { kind: 'discarded', productId: ID, from: null, trays: 1, balls: 12 };
    expect(record({ ...discarded, note: 'warm' })).toBe(true);
    expect(record(discarded)).toBe(false);
    expect(record({ kind: 'first', isFirst: true, note: '' })).toBe(true);
    expect(record({ kind: 'first', note: '' })).toBe(false);
  });
});

describe('a place', () => {
  it('may know at which hour its coil thaws', () => {
    const room = {
      heatCapacityJPerK: 250_000,
      lossWPerK: 25,
      doorWPerK: 180,
      setC: 3.5,
      deadBandC: 0.75,
      coolingW: 1500,
      defrost: { everyH: 8, minutes: 20, heaterW: 600, phaseH: 2.5 },
      zonesC: {},
    };
    const zones = [{ name: 'back', positions: 16, warmerC: -0.4 }];
    const place = { name: 'Walk-in', zones, traysAPosition: 2, tubs: 6, room };
    expect(isTaken(placeSchema, place)).toBe(true);
    const late = { ...room, defrost: { ...room.defrost, phaseH: -1 } };
    expect(isTaken(placeSchema, { ...place, room: late })).toBe(false);
  });
});
