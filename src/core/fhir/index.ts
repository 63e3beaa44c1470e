export { type Bundle, bundleOf } from './bundle';
