import DarkModeOutlined from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlined from '@mui/icons-material/LightModeOutlined';
import KeyboardDoubleArrowLeft from '@mui/icons-material/KeyboardDoubleArrowLeft';
import KeyboardDoubleArrowRight from '@mui/icons-material/KeyboardDoubleArrowRight';
import KeyboardOutlined from '@mui/icons-material/KeyboardOutlined';
import ScaleOutlined from '@mui/icons-material/ScaleOutlined';
import SearchOutlined from '@mui/icons-material/SearchOutlined';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import { useTranslation } from 'react-i18next';
import { NavLink } from 'react-router';
import { useCurrentSeen } from '../../parts/layout/useCurrentSeen';
import { Ball } from '../../parts/lots/Ball';
import { preferred } from '../../state/preferences';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { useHouse } from '../../state/board/useBoard';
import { SHAPE_AT_STOP, useCounts } from './counts';
import styles from './Spine.module.css';
import { SignedInUser } from '../sign-in/SignedInUser';
import { STOPS, type Stop } from './stops';

/** The spine: nine stops in dough's order, each with the lots that are there now. */
export function Spine({
  houseName,
  onKeys,
  onReading,
  onSearch,
}: {
  readonly houseName: string;
  readonly onKeys: () => void;
  readonly onReading: () => void;
  readonly onSearch: () => void;
}) {
  const { t } = useTranslation();
  const isNarrow = useAppSelector((state) => state.preferences.isSpineNarrow);
  const dispatch = useAppDispatch();
  const spine = useCurrentSeen<HTMLElement>();
  const counts = useCounts();
  const { colorScheme } = useColorScheme();
  const isDark = colorScheme === 'dark';
  const fold = isNarrow ? t('shell.unfold') : t('shell.fold');
  return (
    <nav
      ref={spine}
      className={styles['spine']}
      data-narrow={isNarrow}
      aria-label={t('shell.spine')}
    >
      <div className={styles['head']}>
        <span className={styles['product']}>Calm Tray</span>
        <span className={styles['house']}>{houseName}</span>
      </div>
      <ul className={styles['stops']}>
        {STOPS.map((stop) => (
          <li key={stop.path}>
            <SpineStop stop={stop} count={counts[stop.path]} />
          </li>
        ))}
      </ul>
      <SignedInUser />
      <div className={styles['foot']}>
        <IconButton
          title={t('search.title')}
          aria-label={t('search.title')}
          aria-haspopup="dialog"
          onClick={onSearch}
        >
          <SearchOutlined />
        </IconButton>
        <IconButton
          title={isDark ? t('shell.light') : t('shell.dark')}
          aria-label={isDark ? t('shell.light') : t('shell.dark')}
          onClick={() => dispatch(preferred({ theme: isDark ? 'light' : 'dark' }))}
        >
          {isDark ? <LightModeOutlined /> : <DarkModeOutlined />}
        </IconButton>
        <IconButton
          title={t('shell.reading')}
          aria-label={t('shell.reading')}
          aria-haspopup="dialog"
          onClick={onReading}
        >
          <ScaleOutlined />
        </IconButton>
        <IconButton
          title={t('shell.keys')}
          className={styles['wideOnly']}
          aria-label={t('shell.keys')}
          aria-haspopup="dialog"
          onClick={onKeys}
        >
          <KeyboardOutlined />
        </IconButton>
        <IconButton
          title={fold}
          className={styles['wideOnly']}
          aria-label={fold}
          onClick={() => dispatch(preferred({ isSpineNarrow: !isNarrow }))}
        >
          {isNarrow ? <KeyboardDoubleArrowRight /> : <KeyboardDoubleArrowLeft />}
        </IconButton>
      </div>
    </nav>
  );
}

function SpineStop({ stop, count }: { readonly stop: Stop; readonly count: number | undefined }) {
  const { t } = useTranslation();
  const house = useHouse();
  const Icon = stop.icon;
  const shape = SHAPE_AT_STOP[stop.path];
  const name = t(`stops.${stop.path}`);
  const label = count ? t('shell.stopWithLots', { name, count }) : name;
  return (
    <NavLink to={`/${house}/${stop.path}`} className={styles['stop'] ?? ''} aria-label={label}>
      <span className={styles['knot']}>
        <Icon fontSize="small" />
      </span>
      <span className={styles['name']}>{name}</span>
      <span className={styles['marker']}>
        {count && shape ? <Ball shape={shape.shape} tone={shape.tone} count={count} /> : null}
      </span>
    </NavLink>
  );
}
