import { placeRepository } from '../../store/house/places';
import { recordWrites } from '../recordWrites';

/** Where dough can stand. */
export const places = recordWrites(placeRepository);
