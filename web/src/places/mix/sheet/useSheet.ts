import {
  productsOfDough,
  recipeFor,
  scaleRecipe,
  withMixerLine,
  type BoardLot,
} from '@calm/domain';
import type { LoadTemps, Recipe } from '@calm/contract';
import type { Result, ScaledLot, ScaleReason } from '@calm/core';
import { useFrictionsQuery } from '../../../state/api/api';
import type { Board } from '../../../state/board/useBoard';
import { useDraft } from '../../../state/drafts/useDraft';

/** The mixer's heating, and what stands behind it. */
interface SheetFriction {
  readonly frictionC: number;
  /** Logged loads it was learned from; 0 for the mixer's set value. */
  readonly loads: number;
}

/** A batch sheet's numbers, before or after the lot was started. */
export interface Sheet {
  readonly boardLot: BoardLot;
  readonly recipe: Recipe;
  readonly scaled: Result<ScaledLot, ScaleReason>;
  readonly friction: SheetFriction;
  /** Temperatures of a sheet that is not started yet; kept on this device. */
  readonly previewTemps: LoadTemps;
  readonly setPreviewTemps: (temps: LoadTemps) => void;
  readonly setMixer: (mixerId: string) => void;
  readonly forgetPreview: () => void;
}

/** The board's lot that a product on a date belongs to. */
export function findBoardLot(board: Board, date: string, slug: string): BoardLot | null {
  const product = board.book.products.find((p) => p.slug === slug);
  if (!product) return null;
  const dough = productsOfDough(board.book, product);
  return (
    board.lots.find((lot) => lot.date === date && dough.some((p) => p.id === lot.product.id)) ??
    null
  );
}

/** The numbers of a sheet. */
export function useSheet(board: Board, boardLot: BoardLot): Sheet {
  const { book, house } = board;
  const key = `sheet/${house}/${boardLot.date}/${boardLot.product.slug}`;
  const mixer = useDraft<string>(`${key}/mixer`);
  const temps = useDraft<LoadTemps>(`${key}/temps`);
  const { data: frictions } = useFrictionsQuery(house);

  const plain = boardLot.lot
    ? boardLot.recipe
    : recipeFor(book, boardLot.product, knownMixer(board, mixer.draft));
  const set = book.mixers.find((m) => m.id === plain.mixer.id)?.frictionC ?? 0;
  const learned = frictions?.find(
    (f) => f.mixerId === plain.mixer.id && f.formulaId === plain.formulaId,
  );
  // A lot that is started keeps the line it began with.
  const recipe = boardLot.lot ? plain : withMixerLine(plain, learned?.line ?? null);
  const scaled = boardLot.lot ? boardLot.scaled : scaleRecipe(recipe, boardLot.items);
  const usualC = book.house.settings.usualTempsC;
  return {
    boardLot,
    recipe,
    scaled,
    friction: learned
      ? { frictionC: learned.frictionC, loads: learned.loads }
      : { frictionC: set, loads: 0 },
    previewTemps: temps.draft ?? {
      roomTempC: usualC.room,
      flourTempC: usualC.flour,
      tapTempC: usualC.tap,
      prefermentTempC: recipe.formula.preferment ? usualC.preferment : null,
    },
    setPreviewTemps: temps.keep,
    setMixer: mixer.keep,
    forgetPreview: () => {
      mixer.drop();
      temps.drop();
    },
  };
}

/** A mixer kept on this device that the house may have sold since. */
function knownMixer(board: Board, mixerId: string | undefined): string | undefined {
  return board.book.mixers.find((m) => m.id === mixerId)?.id;
}
