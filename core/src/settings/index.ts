export {
  asAsked,
  asKept,
  COMMON_PRACTICE,
  type SettingField,
  setting,
  settingsIn,
} from './setting';
