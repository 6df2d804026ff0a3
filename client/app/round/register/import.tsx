import { ImportTrees } from '../../../src/places/register/ImportTrees';

export default ImportTrees;
