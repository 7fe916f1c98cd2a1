import AddOutlined from '@mui/icons-material/AddOutlined';
import RemoveOutlined from '@mui/icons-material/RemoveOutlined';
import IconButton from '@mui/material/IconButton';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';

/** How many trays, one more or fewer at a time. */
export function HowMany({
  many,
  least,
  most,
  of,
  onChange,
}: {
  readonly many: number;
  readonly least: number;
  readonly most: number;
  /** Whose trays, where several are counted on one page. */
  readonly of?: string;
  readonly onChange: (many: number) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const named = (words: string) => (of === undefined ? words : f.joined(of, words));
  return (
    <>
      <IconButton
        aria-label={named(t('practice.evening.fewer'))}
        disabled={many <= least}
        onClick={() => onChange(many - 1)}
        sx={BIG}
      >
        <RemoveOutlined />
      </IconButton>
      <output aria-label={named(t('practice.evening.many'))}>{f.count(many)}</output>
      <IconButton
        aria-label={named(t('practice.evening.more'))}
        disabled={many >= most}
        onClick={() => onChange(many + 1)}
        sx={BIG}
      >
        <AddOutlined />
      </IconButton>
    </>
  );
}

const BIG = { width: 48, height: 48, flex: 'none' } as const;
