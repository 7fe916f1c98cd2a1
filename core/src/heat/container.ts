import type { Container } from '../formula/route';
import { trayShape, tubShape, type Shape } from './shape';

/** Film coefficient of each container, W/(m²·K): a house's own, once its log has corrected some. */
export type Films = Readonly<Record<Container, number>>;

/**
 * Film coefficients to the air by container, W/(m²·K). Starting values; plausible ±30 %. Corrected
 * per container by the log.
 */
export const FILM_W_PER_M2K: Films = {
  'open-tray': 12,
  'lidded-tray': 6,
  'stacked-tray': 3.5,
  'single-tub': 7,
  tub: 8,
};

/** In still room air an open tray loses less than in a cold room's moving air. */
const STILL_AIR_W_PER_M2K = 8;
/** Air colder than this is taken to be moved by a fan. */
const FAN_BELOW_C = 12;

/** Film coefficient of a container in air of this temperature, W/(m²·K). */
export function filmOf(
  container: Container,
  airTempC: number,
  films: Films = FILM_W_PER_M2K,
): number {
  const film = films[container];
  return airTempC >= FAN_BELOW_C ? Math.min(film, STILL_AIR_W_PER_M2K) : film;
}

/** The body of a mass of dough in a container. @param massKg kilograms */
export function massShape(container: Container, massKg: number): Shape {
  return container === 'tub' || container === 'single-tub' ? tubShape(massKg) : trayShape(massKg);
}
