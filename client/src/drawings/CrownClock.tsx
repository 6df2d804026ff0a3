// The crown clock: the tree from above. A tap picks a limb; where limbs lie over one another it asks which.

import { heightReading, type Units } from '@mortisect/core/measure';
import type { Box } from '@mortisect/core/sight';
import { type Limb, onSpoke, reachCm, type Spoke, spokes } from '@mortisect/core/tree';
import { joined, limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useId, useMemo, useRef, useState } from 'react';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { useSay } from '../data/useSay';
import { elementRef } from '../ui/dom';
import { useTextScale, useWidthOf } from '../ui/size';
import { usePalette } from '../ui/theme';
import { limbsAt } from './clock';
import { Labels } from './Labels';
import { Kerf, MarkPatterns, useMarkInk } from './marks';
import { TipHandle } from './TipHandle';
import type { TapeBand } from './tape/Measure';
import { WhichLimb } from './WhichLimb';

interface CrownClockProps {
  limbs: Limb[];
  names: Map<string, string>;
  twelveBearingDeg: number;
  chosenId: string | null;
  bands: TapeBand[];
  kerfs: { limbId: string; atCm: number }[];
  units: Units;
  onChoose(limbId: string): void;
  /** The tip of the chosen limb can be dragged: to a bearing, and to a reach from its joint as seen from above, cm. */
  onTip?: ((limbId: string, bearingDeg: number, reachCm: number) => void) | undefined;
}

/** Side of the drawing in its own units, and how far out limbs are drawn. */
export const CLOCK_VIEW = 300;
export const CLOCK_FACE = 118;
/** A touch may miss a limb by so much. */
export const CLOCK_TOUCH_PX = 22;
/** A mark on the thinnest limb is still seen. */
const LEAST_MARK = 3;
/** Labels keep off the hours. */
const WITHIN = {
  x: -CLOCK_FACE - 4,
  y: -CLOCK_FACE - 4,
  width: 2 * CLOCK_FACE + 8,
  height: 2 * CLOCK_FACE + 8,
};

export function CrownClock(props: CrownClockProps) {
  const say = useSay();
  const { limbs, names, twelveBearingDeg, chosenId, units, onChoose } = props;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? CLOCK_VIEW;
  const [asked, setAsked] = useState<Limb[]>([]);
  const plan = useMemo(() => spokes(limbs, twelveBearingDeg), [limbs, twelveBearingDeg]);
  const pxPerCm = CLOCK_FACE / reachCm(plan);

  const touched = (event: { nativeEvent: { offsetX?: number; offsetY?: number } }) => {
    const rect = box.current?.getBoundingClientRect();
    const { clientX = 0, clientY = 0 } = event.nativeEvent as { clientX?: number; clientY?: number };
    if (!rect) return;
    const perPx = CLOCK_VIEW / rect.width / pxPerCm;
    const at = {
      x: (clientX - rect.left - rect.width / 2) * perPx,
      y: (clientY - rect.top - rect.height / 2) * perPx,
    };
    const meant = limbsAt(plan, at, CLOCK_TOUCH_PX * perPx);
    if (meant.length > 1) setAsked(meant);
    else if (meant[0]) onChoose(meant[0].id);
  };

  const says = say('shared.crownClockTheTreeFromAboveWith', {
    plan: plan.length,
    more: chosenId ? say('shared.chosen', { get: limbIn(say, names.get(chosenId) ?? '') }) : '',
  });
  return (
    <View>
      <View
        ref={elementRef(box)}
        onPress={touched as never}
        position="relative"
        width="100%"
        aspectRatio={1}
        cursor="pointer"
      >
        <Svg
          width={width}
          height={width}
          viewBox={`${-CLOCK_VIEW / 2} ${-CLOCK_VIEW / 2} ${CLOCK_VIEW} ${CLOCK_VIEW}`}
          role="img"
          aria-label={says}
        >
          <ClockFace pxPerCm={pxPerCm} units={units} zoom={CLOCK_VIEW / width} />
          <Crown {...props} plan={plan} pxPerCm={pxPerCm} zoom={CLOCK_VIEW / width} />
          <RingLabel pxPerCm={pxPerCm} units={units} zoom={CLOCK_VIEW / width} />
        </Svg>
        {props.onTip && chosenId ? (
          <TipHandle
            {...props}
            spoke={plan.find((spoke) => spoke.limb.id === chosenId)}
            pxPerCm={(pxPerCm * width) / CLOCK_VIEW}
            middle={width / 2}
          />
        ) : null}
      </View>
      <WhichLimb asked={asked} names={names} units={units} onClose={() => setAsked([])} onChoose={onChoose} />
    </View>
  );
}

const METRES = { metric: { step: 100, name: 'm' }, us: { step: 91.44, name: 'ft' } } as const;

/** Rings by the metre, or by three feet, and the hours; its middle is at 0, 0. */
export function ClockFace({ pxPerCm, units, zoom }: { pxPerCm: number; units: Units; zoom: number }) {
  const { rule, paper, ink } = usePalette();
  const textScale = useTextScale();
  const fontSize = 15 * Math.max(0.8, zoom) * textScale;
  const { step } = METRES[units];
  const rings = Array.from({ length: 6 }, (_, i) => (i + 1) * step).filter(
    (cm) => cm * pxPerCm <= CLOCK_FACE + 1,
  );
  return (
    <G>
      <Circle r={CLOCK_FACE + 6} fill={paper} stroke={rule} strokeWidth={1.5} />
      {rings.map((cm) => (
        <Circle key={cm} r={cm * pxPerCm} fill="none" stroke={rule} strokeWidth={1} strokeDasharray="3 4" />
      ))}
      {Array.from({ length: 12 }, (_, hour) => {
        const angle = (hour * Math.PI) / 6;
        const at = (r: number) => `${Math.sin(angle) * r} ${-Math.cos(angle) * r}`;
        return (
          <Path
            key={`hour-${hour || 12}`}
            d={`M${at(CLOCK_FACE + 6)}L${at(CLOCK_FACE + (hour % 3 === 0 ? 0 : 2))}`}
            stroke={ink}
            strokeWidth={hour % 3 === 0 ? 2 : 1}
          />
        );
      })}
      {[12, 3, 6, 9].map((hour) => {
        const angle = (hour * Math.PI) / 6;
        return (
          <Text
            key={hour}
            x={Math.sin(angle) * (CLOCK_FACE + 18)}
            y={-Math.cos(angle) * (CLOCK_FACE + 18) + fontSize / 3}
            fontSize={fontSize}
            fill={ink}
            textAnchor="middle"
            fontFamily="Barlow Condensed"
            fontWeight="600"
          >
            {hour}
          </Text>
        );
      })}
    </G>
  );
}

/** Where the first ring's distance stands, roughly. */
function ringBox(pxPerCm: number, units: Units): Box {
  const off = METRES[units].step * pxPerCm * Math.SQRT1_2;
  return { x: -off - 15, y: -off - 11, width: 30, height: 15 };
}

/** The first ring's distance, over everything else so that it can be read. */
export function RingLabel({ pxPerCm, units, zoom }: { pxPerCm: number; units: Units; zoom: number }) {
  const say = useSay();
  const { soft, paper } = usePalette();
  const fontSize = 13 * Math.max(0.8, zoom) * useTextScale();
  const { step } = METRES[units];
  if (step * pxPerCm > CLOCK_FACE) return null;
  const words = joined(say, heightReading(step, units));
  const half = (words.length * fontSize) / 4.2;
  const x = -step * pxPerCm * Math.SQRT1_2;
  const y = -step * pxPerCm * Math.SQRT1_2;
  return (
    <G>
      <Rect
        x={x - half}
        y={y - fontSize * 0.75}
        width={half * 2}
        height={fontSize}
        fill={paper}
        opacity={0.85}
      />
      <Text
        x={x}
        y={y}
        fontSize={fontSize}
        fill={soft}
        textAnchor="middle"
        fontFamily="Barlow Condensed"
        fontWeight="600"
      >
        {words}
      </Text>
    </G>
  );
}

function Crown({
  plan,
  pxPerCm,
  chosenId,
  bands,
  kerfs,
  names,
  units,
  zoom,
}: CrownClockProps & { plan: Spoke[]; pxPerCm: number; zoom: number }) {
  const { ink, dead, chalk, paper, ground } = usePalette();
  const textScale = useTextScale();
  const prefix = `c${useId().replace(/\W/g, '')}`;
  const inks = useMarkInk();
  const byId = new Map(plan.map((spoke) => [spoke.limb.id, spoke]));
  const chosen = chosenId ? byId.get(chosenId) : undefined;
  const px = ({ x, y }: { x: number; y: number }) => ({ x: x * pxPerCm, y: y * pxPerCm });
  const line = (spoke: Spoke, color: string, extra = 0) =>
    spoke.drawn.map((stick, i) => {
      const from = px(stick.base);
      const to = px(stick.tip);
      return (
        <Line
          // biome-ignore lint/suspicious/noArrayIndexKey: the limbs of a bundle have no name but their place
          key={`${spoke.limb.id} ${extra} ${i}`}
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
          stroke={color}
          strokeWidth={thickness(spoke.limb) + extra}
          strokeLinecap="round"
        />
      );
    });
  const marked = new Set([...bands, ...kerfs].map(({ limbId }) => limbId));
  // On a small drawing those alone that matter now
  const isLabelled = ({ id, kind, bundle, parentId }: Limb) =>
    zoom < 1 || kind === 'scaffold' || bundle || marked.has(id) || id === chosenId || parentId === chosenId;
  const inOrder = plan.toSorted((a, b) => RINGS[a.tier] - RINGS[b.tier] || a.limb.baseMm - b.limb.baseMm);
  return (
    <G>
      <MarkPatterns prefix={prefix} />
      {inOrder.map((spoke) => [line(spoke, paper, 2.5), line(spoke, dead)])}
      {chosen ? line(chosen, ink, 1) : null}
      {inOrder
        .filter((spoke) => spoke.limb.kind === 'scaffold')
        .map((spoke) => (
          <Tier key={spoke.limb.id} spoke={spoke} pxPerCm={pxPerCm} />
        ))}
      {bands.map((band) => {
        const spoke = byId.get(band.limbId);
        if (!spoke) return null;
        const placed = band.measured !== false;
        const from = px(onSpoke(spoke, placed ? band.fromCm : 0));
        const to = px(onSpoke(spoke, placed ? band.toCm : spoke.limb.lengthCm));
        // As thick as the limb, so that many marks do not hide the tree
        const width = Math.max(LEAST_MARK, thickness(spoke.limb));
        return (
          <G key={band.id}>
            <Line
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              stroke={inks[band.kind]}
              strokeWidth={width}
              strokeLinecap="butt"
            />
            <Line
              x1={from.x}
              y1={from.y}
              x2={to.x}
              y2={to.y}
              stroke={`url(#${prefix}${band.kind})`}
              strokeWidth={Math.max(1, width - 1.6)}
              strokeLinecap="butt"
            />
          </G>
        );
      })}
      <Circle r={9} fill={ink} />
      {kerfs.map((kerf) => {
        const spoke = byId.get(kerf.limbId);
        const at = spoke ? px(onSpoke(spoke, kerf.atCm)) : { x: 0, y: 0 };
        return <Kerf key={`${kerf.limbId}-${kerf.atCm}`} x={at.x} y={at.y} half={11} />;
      })}
      <Labels
        limbs={plan.flatMap((spoke) =>
          isLabelled(spoke.limb) ? [{ limb: spoke.limb, ...px(spoke.tip) }] : [],
        )}
        names={names}
        chosenId={chosenId}
        marked={marked}
        within={WITHIN}
        taken={[
          ringBox(pxPerCm, units),
          ...(chosen ? [boxRound(px(chosen.tip), CHOSEN_PX)] : []),
          ...kerfs.map((kerf) => {
            const spoke = byId.get(kerf.limbId);
            const { x, y } = spoke ? px(onSpoke(spoke, kerf.atCm)) : { x: 0, y: 0 };
            return boxRound({ x, y }, KERF_PX);
          }),
        ]}
        fontSize={12 * Math.max(0.8, zoom) * textScale}
      />
      {chosen ? (
        <Circle
          cx={px(chosen.tip).x}
          cy={px(chosen.tip).y}
          r={CHOSEN_PX - 1.5}
          fill={ground}
          stroke={chalk}
          strokeWidth={3}
        />
      ) : null}
    </G>
  );
}

/** Half of the ring round the tip that is chosen, and of a kerf’s mark. */
const CHOSEN_PX = 8;
const KERF_PX = 7;

const boxRound = ({ x, y }: { x: number; y: number }, half: number) => ({
  ...{ x: x - half, y: y - half },
  ...{ width: 2 * half, height: 2 * half },
});

function thickness(limb: Limb): number {
  return Math.max(2, Math.min(11, limb.baseMm / 8));
}

const RINGS = { low: 1, middle: 2, high: 3 } as const;

/** One, two or three rings across the base of a scaffold: joined low, middle, high. */
function Tier({ spoke, pxPerCm }: { spoke: Spoke; pxPerCm: number }) {
  const { paper } = usePalette();
  const { base, tip } = spoke;
  const length = Math.hypot(tip.x - base.x, tip.y - base.y) * pxPerCm;
  if (length < 34) return null;
  const ux = ((tip.x - base.x) * pxPerCm) / length;
  const uy = ((tip.y - base.y) * pxPerCm) / length;
  const half = thickness(spoke.limb) / 2 + 0.5;
  const rings = Array.from({ length: RINGS[spoke.tier] }, (_, i) => {
    const x = base.x * pxPerCm + ux * (16 + i * 5);
    const y = base.y * pxPerCm + uy * (16 + i * 5);
    return `M${x - uy * half} ${y + ux * half}L${x + uy * half} ${y - ux * half}`;
  });
  return <Path d={rings.join('')} stroke={paper} strokeWidth={2} />;
}
