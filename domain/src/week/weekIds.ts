/** A dough as plans know it: one formula on one route. */
export const doughIdOf = ({
  formulaId,
  routeId,
}: {
  readonly formulaId: string;
  readonly routeId: string;
}): string => `${formulaId}/${routeId}`;

/** A service of a date as plans know it. */
export const serviceIdOf = ({
  date,
  patternId,
}: {
  readonly date: string;
  readonly patternId: string;
}): string => `${date}/${patternId}`;

/** The local date of a service of a plan. */
export const dateOfService = (serviceId: string): string => serviceId.slice(0, 'YYYY-MM-DD'.length);
