import { paths, type HouseBook, type Lot } from '@calm/contract';
import { stageKey } from '@calm/core';
import { expect, type APIRequestContext } from '@playwright/test';

/** Sixty rounds for Saturday, mixed and balled on Wednesday, that only ever stand at room temperature. @returns the lot's code */
export async function roomOnlyLot(request: APIRequestContext, house: string): Promise<string> {
  const url = process.env['E2E_URL'] ?? '';
  const read = await request.get(url + paths.book(house));
  const book = (await read.json()) as HouseBook;
  const round = book.products.find(({ slug }) => slug === 'yard-round');
  const way = book.routes.find(({ id }) => id === round?.routeId);
  const mixer = book.mixers.find(({ kind }) => kind === 'spiral');
  if (!round || !way || !mixer) throw new Error('the demo house has a round and a spiral');
  const kept = way.stages.filter(({ key }) => !['cold', 'chill', 'pull'].includes(key));
  const changed = await request.put(url + paths.changeRoute(house, way.id), {
    data: { version: way.version, content: { name: 'Room all day', stages: kept } },
  });
  expect(changed.status()).toBe(200);
  const started = await request.post(url + paths.startLot(house), {
    data: {
      productId: round.id,
      serviceDate: '2026-11-28',
      mixerId: mixer.id,
      items: [{ productId: round.id, count: 60 }],
      temps: { roomTempC: 22, flourTempC: 21, tapTempC: 14, prefermentTempC: null },
    },
  });
  expect(started.status()).toBe(201);
  const lot = (await started.json()) as Lot;
  for (const [index, stage] of lot.recipe.route.entries()) {
    if (stage.kind !== 'work') continue;
    const key = stageKey({ index, key: stage.key });
    const mark = await request.put(url + paths.changeMark(house, lot.id, 0, key), {
      data: { version: 0, isDone: true },
    });
    expect(mark.status()).toBe(200);
  }
  return lot.code;
}
