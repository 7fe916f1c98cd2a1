import { routeRequest, type LotRecord, type PhotoStart } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemWords } from '../../parts/messages/problemWords';
import { api } from '../api/api';
import { smallJpeg } from '../../parts/measures/smallJpeg';

const photoApi = api.injectEndpoints({
  endpoints: (build) => ({
    addPhoto: build.mutation<
      LotRecord,
      { readonly house: string; readonly lotId: string; readonly photo: PhotoStart }
    >({
      query: ({ house, lotId, photo }) => routeRequest('addPhoto', [house, lotId], photo),
      invalidatesTags: ['Records', 'Log'],
    }),
  }),
});

/** Keeps a photo with its lot, made small here, and says whether it is kept. */
export function useKeepPhoto(
  house: string,
  lotId: string,
): { readonly isBusy: boolean; readonly keep: (file: File) => Promise<void> } {
  const { t } = useTranslation();
  const { said, failed } = useNotices();
  const [add] = photoApi.useAddPhotoMutation();
  const [isBusy, setBusy] = useState(false);
  return {
    isBusy,
    async keep(file) {
      setBusy(true);
      try {
        const jpeg = await smallJpeg(file).catch(() => null);
        if (jpeg === null) return failed(t('photo.unreadable'));
        const photo = { id: crypto.randomUUID(), note: '', jpeg };
        await add({ house, lotId, photo }).unwrap();
        said(t('photo.kept'));
      } catch (error) {
        failed(problemWords(t, error, t('photo.later')));
      } finally {
        setBusy(false);
      }
    },
  };
}
