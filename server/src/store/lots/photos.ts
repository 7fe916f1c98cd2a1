import { and, count, eq } from 'drizzle-orm';
import * as t from '../../database/schema';
import type { Scope } from '../../database/scope';

/** Keeps a photo. */
export async function insertPhoto(
  { tx, houseId }: Scope,
  photo: { readonly id: string; readonly lotId: string; readonly jpeg: Buffer },
): Promise<void> {
  await tx.insert(t.lotPhotos).values({ houseId, ...photo });
}

/** How many photos a lot has. */
export async function countPhotos({ tx, houseId }: Scope, lotId: string): Promise<number> {
  const [row] = await tx
    .select({ photos: count() })
    .from(t.lotPhotos)
    .where(and(eq(t.lotPhotos.houseId, houseId), eq(t.lotPhotos.lotId, lotId)));
  return row?.photos ?? 0;
}

/** A photo's bytes, or null. */
export async function findPhoto({ tx, houseId }: Scope, id: string): Promise<Buffer | null> {
  const [row] = await tx
    .select({ jpeg: t.lotPhotos.jpeg })
    .from(t.lotPhotos)
    .where(and(eq(t.lotPhotos.houseId, houseId), eq(t.lotPhotos.id, id)));
  return row?.jpeg ?? null;
}
