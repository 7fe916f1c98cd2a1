import type { AcceptedConstant } from '@calm/contract';
import type { Container } from '@calm/core';
import type { Formats } from '@calm/domain';
import type { TFunction } from 'i18next';

/** The kinds of a house's own numbers. */
const KINDS = {
  'yeast-activity': 'yeast',
  'cold-end': 'cold',
  film: 'film',
  endurance: 'endurance',
} as const;
type Kind = (typeof KINDS)[keyof typeof KINDS];

/** What a number is of: its kind, and the container or the flour. */
function partsOf(name: string): { readonly kind: Kind; readonly of: string } {
  const [kind = '', ...of] = name.split(':');
  return { kind: KINDS[kind as keyof typeof KINDS], of: of.join(':') };
}

const detail = (t: TFunction, { kind, of }: ReturnType<typeof partsOf>) => ({
  where: kind === 'film' ? t(`learned.where.${of as Container}`) : '',
  flour: of,
});

/** What a number is called. */
export const numberName = (t: TFunction, name: string): string => {
  const parts = partsOf(name);
  return t(`learned.name.${parts.kind}`, detail(t, parts));
};

/** What would tell more of a number. */
export const whatTells = (t: TFunction, name: string): string =>
  t(`learned.measure.${partsOf(name).kind}`);

/** A number in a sentence. */
export function saidOf(
  t: TFunction,
  f: Formats,
  { name, factor = 1, shift }: AcceptedConstant,
): string {
  const parts = partsOf(name);
  const way = (shift ?? factor - 1) >= 0 ? 'more' : 'less';
  return t(`learned.say.${parts.kind}.${way}`, {
    ...detail(t, parts),
    percent: f.percent(100 * Math.abs(factor - 1), 0),
    by: f.apart(Math.abs(shift ?? 0), 1),
  });
}
