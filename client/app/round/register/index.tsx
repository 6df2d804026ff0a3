import { Register } from '../../../src/places/register/Register';

export default Register;
