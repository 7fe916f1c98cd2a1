import { nextPulls, oddsOfEnough, shortFromMin, type Serving } from '@calm/core';
import type { WavesDocument } from '@calm/contract';
import { check, waveSchema } from '@calm/contract/schemas';
import type { Answer } from './answer';

/** `calm wave`: when to pull how many trays, and the odds that they are enough at every minute. */
export function waveCommand(input: unknown): Answer {
  const checked = check(waveSchema, input);
  if (!checked.ok) return { kind: 'bad-input', problems: checked.errors };
  const given = checked.value;
  const { service, perQuarter, spread, batches, trayBalls, trays, temperMin, keepMin } = given;
  const need = perQuarter.reduce((sum, balls) => sum + balls, 0);
  const out = batches.map(({ balls, readyMin, lastMin }) => ({
    balls,
    readyMin: readyMin - service.startMin,
    lastMin: lastMin - service.startMin,
  }));
  const inside = trays * trayBalls;
  const serving: Serving = {
    curve: need > 0 ? perQuarter.map((balls) => balls / need) : perQuarter.map(() => 0),
    need,
    made: inside + out.reduce((sum, { balls }) => sum + balls, 0),
    pulled: out.map(({ balls, readyMin, lastMin }) => ({
      atMin: readyMin - temperMin,
      balls,
      keepMin: lastMin - readyMin,
    })),
    temperMin,
    keepMin,
    ripeFromMin: -Infinity,
    coldUntilMin: Infinity,
    spread: { cv: spread, cover: given.cover },
  };
  const waves = nextPulls(serving, trayBalls, -Infinity);
  const pulled = [
    ...serving.pulled,
    ...waves.map(({ readyMin, balls }) => ({ atMin: readyMin - temperMin, balls })),
  ];
  const ready = [
    ...out,
    ...waves.map(({ readyMin, goodUntilMin, balls }) => ({
      balls,
      readyMin,
      lastMin: goodUntilMin,
    })),
  ];
  const short = shortFromMin({ ...serving, pulled });
  const document: WavesDocument = {
    waves: waves.map(({ pullMin, trays: some, balls }) => ({
      pullMin: pullMin + service.startMin,
      trays: some,
      balls,
    })),
    odds: oddsOfEnough(perQuarter, spread, ready),
    shortFromMin: short === null ? null : short + service.startMin,
  };
  return { kind: 'done', document };
}
