import { NewTree } from '../../../src/places/register/EditTree';

export default NewTree;
