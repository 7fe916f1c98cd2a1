const ROWS_PER_INSERT = 500;

export async function inBatches<Row>(
  rows: readonly Row[],
  insert: (batch: Row[]) => Promise<unknown>,
) {
  for (let i = 0; i < rows.length; i += ROWS_PER_INSERT) {
    await insert(rows.slice(i, i + ROWS_PER_INSERT));
  }
}

export type Ids = (key: string) => string;

export const patternId = (id: Ids, service: { readonly name: string; readonly weekday: number }) =>
  id(`service/${service.name}/${service.weekday}`);
