export {
  aboutSetting,
  asAsked,
  asKept,
  COMMON_PRACTICE,
  type SettingField,
  type SettingWords,
  setting,
  settingsIn,
} from './setting';
