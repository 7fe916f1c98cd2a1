import type { House, HouseSettings, SettingsChange } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemWords } from '../../parts/messages/problemWords';
import { useChangeSettingsMutation } from './settingsApi';

type Changeable = Omit<SettingsChange, 'version'>;

/** What a house has at the places that a change is about; a setting that was never made has no way back to nothing. */
const before = ({ name, timeZone, settings }: House, change: Changeable): Changeable =>
  Object.fromEntries(
    Object.keys(change).flatMap((key) => {
      const was = { name, timeZone, ...settings }[key as keyof HouseSettings | 'name' | 'timeZone'];
      return was === undefined ? [] : [[key, was]];
    }),
  );

/**
 * Changes some of what a house is and works with, from a dialog, with a way back.
 *
 * @returns why it was refused; null is nothing
 */
export function useChangeHouse(house: House, onClose: () => void) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const [changeSettings] = useChangeSettingsMutation();
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = async (change: Changeable) => {
    try {
      const { version } = house;
      const kept = await changeSettings({
        house: house.slug,
        change: { version, ...change },
      }).unwrap();
      const back = { version: kept.version, ...before(house, change) };
      changed(t('house.kept'), () => changeSettings({ house: house.slug, change: back }).unwrap());
      onClose();
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  return { wrong, keep: (change: Changeable) => void keep(change) };
}
