import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format/useFormats';
import { useBookQuery, useLogQuery } from '../../state/api/api';
import { useManual } from '../help/useManual';
import { PAGES, type PageInfo } from '../pages';
import type { Findable } from './findables';

/** Fewer letters than this are not asked of the log. */
const LEAST_OF_A_LOT = 2;

/**
 * All that can be gone to in a house: its pages, doughs, products, routes, cold places and people, the manual,
 * and the lots whose code or notes have what was typed.
 */
export function useFindables(house: string, typed: string): { all: Findable[]; isAsking: boolean } {
  const { t } = useTranslation();
  const f = useFormats();
  const { data: book } = useBookQuery(house);
  const manual = useManual();
  const text = typed.trim();
  const { data: log, isFetching } = useLogQuery(
    { house, query: { text } },
    { skip: text.length < LEAST_OF_A_LOT },
  );
  const still = useMemo((): Findable[] => {
    const pages = PAGES.flatMap(({ path, name }: PageInfo): Findable[] =>
      name === undefined ? [] : [{ kind: 'page', to: path, name: t(name) }],
    );
    const pagesOfManual = manual.map(({ id, title, text }): Findable => ({
      kind: 'manual',
      to: `?help=${id}`,
      name: title,
      text,
    }));
    if (!book) return [...pages, ...pagesOfManual];
    const slugOf = (formulaId: string) =>
      book.formulas.find(({ id }) => id === formulaId)?.slug ?? '';
    return [
      ...pages,
      ...book.formulas.map(({ slug, name, code }): Findable => ({
        kind: 'dough',
        to: `formulas/${slug}`,
        name,
        hint: code,
      })),
      ...book.products.map(({ name, formulaId, ballWeightG }): Findable => ({
        kind: 'product',
        to: `formulas/${slugOf(formulaId)}`,
        name,
        hint: f.grams(ballWeightG),
      })),
      ...book.routes.map(({ id, name }): Findable => ({
        kind: 'route',
        to: `formulas/routes/${id}`,
        name,
      })),
      ...book.places.map(({ name }): Findable => ({
        kind: 'coldPlace',
        to: 'walk-in/places',
        name,
      })),
      ...book.people.map(({ name, role }): Findable => ({
        kind: 'person',
        to: 'crew',
        name,
        hint: t(`roles.${role}`),
      })),
      ...pagesOfManual,
    ];
  }, [book, manual, f, t]);
  const lots = (text.length < LEAST_OF_A_LOT ? [] : (log?.lots ?? [])).map(
    ({ code, serviceDate, items }): Findable => ({
      kind: 'lot',
      to: `log/${code}`,
      name: code,
      hint: f.joined(f.date(serviceDate), f.list(items.map(({ name }) => name))),
      // The log has found it by more than is shown.
      text,
    }),
  );
  return { all: [...still, ...lots], isAsking: isFetching };
}
