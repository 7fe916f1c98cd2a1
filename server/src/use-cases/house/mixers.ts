import { mixerRepository } from '../../store/house/mixers';
import { recordWrites } from '../recordWrites';

/** What dough is worked in. */
export const mixers = recordWrites(mixerRepository);
