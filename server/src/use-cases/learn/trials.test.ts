import { paths, type Lot, type Trial, type Verdict } from '@calm/contract';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { HOUSE, problemOf, startHouse } from '../../test-support/testHouse';

let house: Awaited<ReturnType<typeof startHouse>>;
let lots: Lot[];
beforeAll(async () => {
  house = await startHouse();
  lots = await house.get<Lot[]>(paths.lots(HOUSE, { from: '2026-11-17', days: 9 }));
});
afterAll(() => house.drop());

const of = (dough: string) => lots.filter(({ code }) => code.startsWith(dough));
const begin = (controlLotId: string | undefined, changedLotId: string | undefined) =>
  house.http
    .post(paths.startTrial(HOUSE))
    .send({ change: 'Salt last', judge: 'taste', controlLotId, changedLotId });
const say = (trial: string, choice: Verdict, id: string = randomUUID()) =>
  house.http.post(paths.addVerdict(HOUSE, trial)).send({ id, choice });

describe('a trial of two lots', () => {
  it('tells nobody which lot was changed until it is ended; then how far chance alone goes', async () => {
    const [control, changed] = of('YR');
    const started = (await begin(control?.id, changed?.id).expect(201)).body as Trial;
    expect(started).toMatchObject({
      changed: null,
      chance: null,
      verdicts: { x: 0, same: 0, y: 0 },
    });
    expect([started.codes.x, started.codes.y].sort()).toEqual(
      [control?.code, changed?.code].sort(),
    );
    for (let i = 0; i < 5; i += 1) await say(started.id, 'x').expect(201);
    await say(started.id, 'same').expect(201);
    const stale = await house.http.put(paths.endTrial(HOUSE, started.id)).send({ version: 9 });
    expect(stale.status).toBe(409);
    const ended = (
      await house.http.put(paths.endTrial(HOUSE, started.id)).send({ version: 1 }).expect(200)
    ).body as Trial;
    expect(ended.verdicts).toEqual({ x: 5, same: 1, y: 0 });
    expect(ended.chance).toBeCloseTo(0.0625, 9);
    expect(ended.codes[ended.changed ?? 'x']).toBe(changed?.code);
    const late = await say(started.id, 'y');
    expect(problemOf(late).errors).toMatchObject([{ code: 'trial.ended' }]);
    expect(await house.get<Trial[]>(paths.trials(HOUSE))).toEqual([ended]);
  });

  it('is of two lots of one dough, each verdict once', async () => {
    const [one, two] = of('SL');
    const [round] = of('YR');
    const odd = await begin(one?.id, round?.id);
    expect(problemOf(odd).errors).toMatchObject([{ code: 'trial.other-dough' }]);
    expect((await begin(one?.id, one?.id)).status).toBe(400);
    const unknown = await begin('00000000-0000-4000-8000-000000000000', two?.id);
    expect(problemOf(unknown).errors).toMatchObject([{ path: 'controlLotId', code: 'id.unknown' }]);
    const trial = (await begin(one?.id, two?.id).expect(201)).body as Trial;
    const id = randomUUID();
    await say(trial.id, 'x', id).expect(201);
    expect((await say(trial.id, 'x', id)).status).toBe(400);
  });
});
