import type { Coverage, PlannedWork, LotPosition } from '@calm/core';
import type { Person } from '@calm/contract';
import type { Formats } from '@calm/domain';
import type { TFunction } from 'i18next';
import type { Silhouette } from '../../parts/lots/Ball';

/** Where a lot is, as a word that always stands beside its silhouette. */
export function stateWord(t: TFunction, where: LotPosition): string {
  if (where.kind === 'resting') return t(`state.${where.stage}`);
  if (where.kind === 'at-work') return t('state.at-work', { work: t(`work.${where.stage}`) });
  return t(`state.${where.kind}`);
}

/** How a lot stands, by its stage. */
export function silhouetteOf(where: LotPosition): {
  shape: Silhouette;
  tone: 'oat' | 'cold' | 'quiet';
} {
  if (where.kind === 'to-make') return { shape: 'low', tone: 'quiet' };
  if (where.kind === 'served') return { shape: 'slumped', tone: 'quiet' };
  if (where.kind === 'serving') return { shape: 'full', tone: 'oat' };
  if (where.kind === 'at-work') return { shape: 'dome', tone: 'oat' };
  if (where.stage === 'cold') return { shape: 'low', tone: 'cold' };
  return { shape: where.stage === 'temper' ? 'full' : 'dome', tone: 'oat' };
}

/** Who does a piece of work, or why nobody can, as words. */
export function coverWords(
  t: TFunction,
  f: Pick<Formats, 'list'>,
  work: PlannedWork,
  { coverage, people }: { readonly coverage: Coverage; readonly people: readonly Person[] },
): string {
  return t(`cover.${coverage.kind}`, {
    names: f.list(people.map((person) => person.name)),
    skill: t(`skill.${work.skill}`),
    people: work.people,
  });
}
