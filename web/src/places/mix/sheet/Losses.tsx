import type { Lot } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberField } from '../../../parts/fields/NumberField';
import { useNotices } from '../../../parts/messages/Notices';
import { TwoSides } from '../../../parts/messages/TwoSides';
import { useDraft } from '../../../state/drafts/useDraft';
import { useDraftedWrite } from '../../../state/api/useDraftedWrite';
import { usePermission } from '../../../state/api/usePermission';
import { useWrite } from '../../../state/api/useWrite';
import styles from './BatchSheet.module.css';
import { useChangeLossesMutation } from '../mixApi';

const GRAMS = { min: 0, max: 200_000, decimals: 0, mayBeEmpty: true };

interface Weighed {
  readonly leftG: number | null;
  readonly trimG: number | null;
}

/** What the lot left in bowls and on the bench, and what was trimmed off: the house learns from both. */
export function Losses({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayMake = usePermission('make');
  const { changed } = useNotices();
  const [change] = useChangeLossesMutation();
  const send = (to: { leftG: number | null; trimG: number | null; version: number }) =>
    change({ house, lotId: lot.id, change: to }).unwrap();
  const key = `losses/${house}/${lot.id}`;
  const { drop } = useDraft(key);
  const { write, stale, settle } = useWrite(send, drop);
  const typed = useDraftedWrite<Weighed, Lot>(key, lot, (to, version) => write({ ...to, version }));
  const { leftG, trimG } = typed.draft ?? lot;
  const say = (g: number | null) => (g === null ? t('mix.losses.none') : f.grams(g));
  const save = async (to: Weighed, over?: number) => {
    const before = typed.present();
    const saved = await typed.put(to, over);
    if (!saved) return;
    changed(t('mix.losses.changed', { left: say(to.leftG), trim: say(to.trimG) }), () =>
      send({ leftG: before.leftG, trimG: before.trimG, version: saved.version }),
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
          disabled={!mayMake}
          value={leftG}
          onCommit={(value) => void save({ leftG: value, trimG })}
        />
        {isTrimmed && (
          <NumberField
            label={t('mix.losses.trim')}
            measure="grams"
            rule={GRAMS}
            step={50}
            disabled={!mayMake}
            value={trimG}
            onCommit={(value) => void save({ leftG, trimG: value })}
          />
        )}
      </div>
      {stale && (
        <TwoSides
          what={t('mix.losses.title')}
          theirs={f.joined(say(stale.theirs.leftG), say(stale.theirs.trimG))}
          mine={f.joined(say(stale.mine.leftG), say(stale.mine.trimG))}
          onKeepTheirs={() => {
            settle();
            typed.drop();
          }}
          onUseMine={() =>
            void save({ leftG: stale.mine.leftG, trimG: stale.mine.trimG }, stale.theirs.version)
          }
        />
      )}
    </section>
  );
}
