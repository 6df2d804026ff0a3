// In place of measuring what a screen keeps free at its edges: pages keep it by the style sheet, and whoever measures has a page laid out that is not yet whole.
import { createElement } from 'react';
import { View } from 'react-native';

export const NativeSafeAreaProvider = ({ children, style }) => createElement(View, { style }, children);
