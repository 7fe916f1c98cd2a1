import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Draws, the same ones for the same seed. */
export interface Random {
  /** Between 0 (included) and 1. */
  uniform(): number;
  /** Of mean 0 and spread 1. */
  normal(): number;
  /** Of mean 1 and a spread (one standard deviation): never below 0, and 1 where nothing scatters. */
  gamma(cv: number): number;
  /** A count of so many on average. */
  poisson(mean: number): number;
}

/** Beyond this many on average a count is drawn as a normal, off by less than 1 % of its spread. */
const MANY = 60;

/** Draws from a seed. @param seed a whole number */
export function randomOf(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  /** Box and Muller 1958. */
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  /** Marsaglia and Tsang 2000. */
  const gamma = (cv: number) => {
    if (!(cv > 1e-3)) return 1;
    const shape = 1 / cv ** 2;
    if (shape < 1) return Math.max(0, 1 + cv * normal());
    const d = shape - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = normal();
      const v = (1 + c * x) ** 3;
      if (v > 0 && Math.log(1 - uniform()) < x ** 2 / 2 + d - d * v + d * Math.log(v)) {
        return (d * v) / shape;
      }
    }
  };
  /** By inversion, searched from none on (Devroye 1986, X.3.3); of many by the normal. */
  const poisson = (mean: number) => {
    if (mean > MANY) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normal()));
    let [count, odds, left] = [0, Math.exp(-mean), uniform()];
    while (left >= odds && odds > 0) {
      left -= odds;
      count += 1;
      odds *= mean / count;
    }
    return count;
  };
  return { uniform, normal, gamma, poisson };
}

/** Numbers that are passed over before the draws of small seeds differ. */
const ALIKE = 20;

/** Draws from any seed, small ones and neighbours too: the first numbers of those are alike, and passed over. @param seed a whole number */
export function settledRandomOf(seed: number): Random {
  const random = randomOf(seed);
  for (let i = 0; i < ALIKE; i += 1) random.uniform();
  return random;
}
