import { RowOfTrees } from '../../../src/places/register/RowOfTrees';

export default RowOfTrees;
