import AcUnitOutlined from '@mui/icons-material/AcUnitOutlined';
import ArticleOutlined from '@mui/icons-material/ArticleOutlined';
import BlenderOutlined from '@mui/icons-material/BlenderOutlined';
import GroupsOutlined from '@mui/icons-material/GroupsOutlined';
import MenuBookOutlined from '@mui/icons-material/MenuBookOutlined';
import NightsStayOutlined from '@mui/icons-material/NightsStayOutlined';
import StorefrontOutlined from '@mui/icons-material/StorefrontOutlined';
import TagOutlined from '@mui/icons-material/TagOutlined';
import ViewTimelineOutlined from '@mui/icons-material/ViewTimelineOutlined';
import type { SvgIconComponent } from '@mui/icons-material';

/** A stop of the spine. */
export interface Stop {
  /** The last part of its address, and its name in the catalogue. */
  readonly path: string;
  readonly icon: SvgIconComponent;
  /** The digit that leads there. */
  readonly digit: string;
}

const icons: readonly (readonly [string, SvgIconComponent])[] = [
  ['tonight', NightsStayOutlined],
  ['demand', TagOutlined],
  ['formulas', MenuBookOutlined],
  ['plan', ViewTimelineOutlined],
  ['mix', BlenderOutlined],
  ['walk-in', AcUnitOutlined],
  ['crew', GroupsOutlined],
  ['log', ArticleOutlined],
  ['house', StorefrontOutlined],
];

/** The nine stops, in dough's order. */
export const STOPS: readonly Stop[] = icons.map(([path, icon], i) => ({
  path,
  icon,
  digit: String(i + 1),
}));
