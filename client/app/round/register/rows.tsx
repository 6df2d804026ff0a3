import { RowsOfTrees } from '../../../src/places/register/RowsOfTrees';

export default RowsOfTrees;
