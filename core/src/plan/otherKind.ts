// What else than a cut a plan can ask for.
export const otherKinds = [
  'tie down',
  'tie over',
  'thin the fruit',
  'pick mummies',
  'excise',
  'leave the strike',
] as const;
export type OtherKind = (typeof otherKinds)[number];
