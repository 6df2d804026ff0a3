export { aboutSetting, type SettingField, type SettingWords, setting, settingsIn } from './setting';
