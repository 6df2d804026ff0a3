// The type of the look: condensed figures and labels, running text made to be told apart.
import { styled, Text } from '@tamagui/core';

export const Body = styled(Text, {
  fontFamily: '$body',
  fontSize: '$17',
  lineHeight: '$17',
  color: '$ink',
});

export const Small = styled(Body, { fontSize: '$15', lineHeight: '$15', color: '$soft' });

export const Strong = styled(Body, { render: 'strong', fontWeight: '600' });

/** Condensed: labels, names, buttons. */
export const Label = styled(Text, {
  fontFamily: '$heading',
  fontWeight: '600',
  fontSize: '$17',
  lineHeight: '$17',
  color: '$ink',
});

export const Title = styled(Label, { render: 'h1', margin: 0, fontSize: '$32', lineHeight: '$32' });
export const Section = styled(Label, { render: 'h2', margin: 0, fontSize: '$22', lineHeight: '$22' });

/** A measured figure: tabular, so that it does not dance while it is dragged. */
export const Figure = styled(Label, {
  fontSize: '$24',
  lineHeight: '$24',
  style: { fontVariantNumeric: 'tabular-nums' },
});
