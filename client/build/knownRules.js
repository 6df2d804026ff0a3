// Around the style sheet of react-native-web: rules for browsers of ten years ago are not written. A browser that knows no such selector throws, and
// for a thrown error it reads the whole script again.
import createOrderedCSSStyleSheet from 'react-native-web/dist/exports/StyleSheet/dom/createOrderedCSSStyleSheet';

const FORGOTTEN = /::-moz-(focus-inner|placeholder)|:-ms-input-placeholder/;

export default function createSheet(sheet) {
  const ordered = createOrderedCSSStyleSheet(sheet);
  return {
    ...ordered,
    insert(rule, group) {
      if (!FORGOTTEN.test(rule)) ordered.insert(rule, group);
    },
  };
}
