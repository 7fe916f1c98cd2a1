import type { Lot } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../parts/format';
import { NumberField } from '../../parts/NumberField';
import { useNotices } from '../../parts/Notices';
import { TwoSides } from '../../parts/TwoSides';
import { useWrite } from '../../state/useWrite';
import styles from './BatchSheet.module.css';
import { useChangeLossesMutation } from './mixApi';

const GRAMS = { min: 0, max: 200_000, decimals: 0, mayBeEmpty: true };

/** What the lot left in bowls and on the bench, and what was trimmed off: the house learns from both. */
export function Losses({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [change] = useChangeLossesMutation();
  const send = (to: { leftG: number | null; trimG: number | null; version: number }) =>
    change({ house, lotId: lot.id, change: to }).unwrap();
  const { write, stale, settle } = useWrite(send);
  const { leftG, trimG } = lot;
  const say = (g: number | null) => (g === null ? t('mix.losses.none') : f.grams(g));
  const save = async (to: { leftG: number | null; trimG: number | null }, version: number) => {
    const saved = await write({ ...to, version });
    if (!saved) return;
    changed(t('mix.losses.changed', { left: say(to.leftG), trim: say(to.trimG) }), () =>
      send({ leftG, trimG, version: saved.version }),
    );
  };
  const isTrimmed = lot.items.some(({ trimPercent }) => trimPercent > 0);
  return (
    <section aria-label={t('mix.losses.title')}>
      <h2>{t('mix.losses.title')}</h2>
      <div className={styles['losses']}>
        <NumberField
          label={t('mix.losses.left')}
          measure="grams"
          rule={GRAMS}
          step={50}
          value={leftG}
          onCommit={(value) => void save({ leftG: value, trimG }, lot.version)}
        />
        {isTrimmed && (
          <NumberField
            label={t('mix.losses.trim')}
            measure="grams"
            rule={GRAMS}
            step={50}
            value={trimG}
            onCommit={(value) => void save({ leftG, trimG: value }, lot.version)}
          />
        )}
      </div>
      {stale && (
        <TwoSides
          what={t('mix.losses.title')}
          theirs={`${say(stale.theirs.leftG)}, ${say(stale.theirs.trimG)}`}
          mine={`${say(stale.mine.leftG)}, ${say(stale.mine.trimG)}`}
          onKeepTheirs={settle}
          onUseMine={() => void save(stale.mine, stale.theirs.version)}
        />
      )}
    </section>
  );
}
