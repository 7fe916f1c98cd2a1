import { probeRepository } from '../../store/cold/probes';
import { recordWrites } from '../recordWrites';

/** The probes that hang in the cold rooms. */
export const probes = recordWrites(probeRepository);
