export {
  issueOf,
  type Refusal,
  type RefusalCode,
  type Refusals,
  refusal,
  refusing,
} from './refusal';
export { refusalOf } from './schema';
