import { ManyTrees } from '../../../src/places/register/ManyTrees';

export default ManyTrees;
