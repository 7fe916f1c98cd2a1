import { pantryRepository } from '../../store/book/pantry';
import { productRepository } from '../../store/book/products';
import { routeRepository } from '../../store/book/routes';
import { recordWrites } from '../recordWrites';

/** Records of the book that people add, change and delete. */
export const products = recordWrites(productRepository);
export const routes = recordWrites(routeRepository);
export const ingredients = recordWrites(pantryRepository);
