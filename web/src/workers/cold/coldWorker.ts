import { coldHouse, simulateCold, type SimulatedCold } from '@calm/domain';
import { compareLoadIns, ok, fitRoom, mostAtOnce, zonesByReadings } from '@calm/core';
import { expose } from 'comlink';
import type { AssumedCold, ColdInWorker } from './coldAnswers';

const told = ({ rooms, parts }: SimulatedCold): AssumedCold => ({
  rooms,
  parts: parts.map(({ lot, product, placeId, zone, mixedMs, window }) => ({
    key: lot.lot?.id ?? `${lot.code}/${lot.date}`,
    code: lot.code,
    productId: product.id,
    placeId,
    zone,
    mixedMs,
    window,
  })),
});

/** The cold is calculated off the page's own thread. */
const worker: ColdInWorker = {
  whatIf(question, assumptions) {
    const now = simulateCold(question);
    if (!now.ok) return now;
    const assumption = simulateCold(question, assumptions);
    if (!assumption.ok) return assumption;
    return ok({ now: told(now.value), assumption: told(assumption.value) });
  },
  loadIn(question, { fromMs, lotKey, doughC, ...load }, ways, limitC) {
    const { house, fromS, hours, parts } = coldHouse(question);
    const own = (name: string) => name.startsWith(`${lotKey}/`);
    const at = parts.findIndex(({ name }) => own(name));
    const dough = house.lots[at]?.route ?? house.lots[0]?.route;
    if (!dough) return ok({ effects: [], mostAtOnce: 0 });
    const { stages: _, ...route } = dough;
    const others = { ...house, lots: house.lots.filter(({ name }) => !own(name)) };
    const fromHour = (fromMs / 1000 - fromS) / 3600;
    const warm = { ...load, fromHour, route: { ...route, doughTempC: doughC } };
    const options = { limitC, simulatedH: hours };
    const effects = compareLoadIns(others, warm, ways, options);
    if (!effects.ok) return effects;
    const most = mostAtOnce(others, warm, 'lidded-tray', options);
    return most.ok ? ok({ effects: effects.value, mostAtOnce: most.value }) : most;
  },
  fit(question, placeId, except) {
    const { house, fromS } = coldHouse(question);
    const place = question.book.places.find(({ id }) => id === placeId);
    const hour = (ms: number) => (ms / 1000 - fromS) / 3600;
    const fit = fitRoom(
      house,
      place?.name ?? '',
      except.map(({ fromMs, untilMs }) => ({ fromHour: hour(fromMs), toHour: hour(untilMs) })),
    );
    if (!fit.ok) return fit;
    const probes = question.air.find((air) => air.placeId === placeId)?.probes ?? [];
    return ok({ ...fit.value, zonesC: zonesByReadings(probes) });
  },
};

expose(worker);
