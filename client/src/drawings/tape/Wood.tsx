// The wood on the tape: the limb, the parents before its joint, side branches as stubs, buds by the way they point.
import type { Cut } from '@mortisect/core/cuts';
import { clockHour } from '@mortisect/core/measure';
import { type Bud, diameterMmAt, type Limb, type LimbIndex } from '@mortisect/core/tree';
import { G, Line, Path, Text } from 'react-native-svg';
import { usePalette } from '../../ui/theme';
import { outline, type TapeStretch, type Window } from '../tapePath';
import type { TapeBand } from './Measure';
import type { TapeScale } from './scale';

interface WoodProps {
  stretches: TapeStretch[];
  window: Window;
  scale: TapeScale;
  index: LimbIndex;
  twelveBearingDeg: number;
  fontSize: number;
  /** Findings of the tree: a side branch that carries one shows its mark. */
  bands: TapeBand[];
  prefix: string;
}

export function Wood(props: WoodProps) {
  const { stretches, window, scale, fontSize } = props;
  const { ink, wood, paper } = usePalette();
  const y = scale.rows.wood;
  return (
    <G>
      {stretches.map((stretch, i) => (
        <Stubs
          key={`stubs-${stretch.limb.id}`}
          stretch={stretch}
          own={i > 0 ? stretches[i - 1]?.limb.id : undefined}
          {...props}
        />
      ))}
      {stretches.toReversed().map((stretch) => {
        const ends = outline(stretch, window);
        const [base, tip] = ends;
        if (!base || !tip) return null;
        const isLimb = stretch.offsetCm === 0 && stretch === stretches[0];
        return (
          <Path
            key={stretch.limb.id}
            d={`M${scale.x(base.u)} ${y - scale.half(base.mm)}L${scale.x(tip.u)} ${y - scale.half(tip.mm)}V${y + scale.half(tip.mm)}L${scale.x(base.u)} ${y + scale.half(base.mm)}Z`}
            fill={isLimb ? wood : paper}
            stroke={ink}
            strokeWidth={1.5}
          />
        );
      })}
      <Joints stretches={stretches} window={window} scale={scale} />
      {stretches.map((stretch) => (
        <Rings key={`rings-${stretch.limb.id}`} stretch={stretch} window={window} scale={scale} />
      ))}
      {stretches.map((stretch) => (
        <Buds
          key={`buds-${stretch.limb.id}`}
          stretch={stretch}
          window={window}
          scale={scale}
          fontSize={fontSize}
        />
      ))}
    </G>
  );
}

/** Side branches that stay though they lean over wood that is paled: those that join just below the kerf. */
export function LastKept({ cut, ...props }: WoodProps & { cut: Pick<Cut, 'limbId' | 'atCm' | 'upToCm'> }) {
  const stretch = props.stretches.find(({ limb }) => limb.id === cut.limbId);
  const kerfCm = cut.upToCm ?? cut.atCm;
  return stretch ? (
    <Stubs {...props} stretch={stretch} own={undefined} joined={[kerfCm - LEANS_CM, kerfCm]} />
  ) : null;
}
/** As far as a stub leans, or more. */
const LEANS_CM = 25;

const within = (window: Window, u: number) => u >= window.fromU && u <= window.toU;

function Joints({ stretches, window, scale }: Pick<WoodProps, 'stretches' | 'window' | 'scale'>) {
  const { ink } = usePalette();
  const y = scale.rows.wood;
  return (
    <G>
      {stretches
        .slice(0, -1)
        .map(({ limb, fromU }) =>
          within(window, fromU) ? (
            <Line
              key={limb.id}
              x1={scale.x(fromU)}
              x2={scale.x(fromU)}
              y1={y - scale.half(limb.baseMm) - 9}
              y2={y + scale.half(limb.baseMm) + 9}
              stroke={ink}
              strokeWidth={3}
            />
          ) : null,
        )}
    </G>
  );
}

const EVERYWHERE = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY] as const;

interface StubsProps extends Omit<WoodProps, 'stretches'> {
  stretch: TapeStretch;
  own: string | undefined;
  /** Those alone that join from here to there, cm. */
  joined?: readonly [number, number];
}

/** Side branches: left of the limb above the line, right of it below, with their place on the clock. */
function Stubs({
  stretch,
  own,
  joined: [fromCm, toCm] = EVERYWHERE,
  window,
  scale,
  index,
  twelveBearingDeg,
  fontSize,
  bands,
  prefix,
}: StubsProps) {
  const { ink, soft, paper } = usePalette();
  const y = scale.rows.wood;
  const branches = (index.childrenOf.get(stretch.limb.id) ?? []).filter((branch) => {
    const u = branch.jointCm - stretch.offsetCm;
    if (branch.jointCm < fromCm || branch.jointCm > toCm) return false;
    return branch.id !== own && within(window, u) && u >= stretch.fromU && u <= stretch.toU;
  });
  return (
    <G>
      {branches.map((branch) => {
        const x = scale.x(branch.jointCm - stretch.offsetCm);
        const up = isLeftOf(branch, stretch.limb) ? -1 : 1;
        const half = Math.max(2, Math.min(9, scale.half(branch.baseMm)));
        const edge = y + up * (scale.half(diameterMmAt(stretch.limb, branch.jointCm)) - 1);
        const end = edge + up * 20;
        const found = bands.find((band) => band.limbId === branch.id);
        return (
          <G key={branch.id}>
            <Path
              d={`M${x - half} ${edge}L${x + 6 - half * 0.7} ${end}H${x + 6 + half * 0.7}L${x + half} ${edge}Z`}
              fill={found ? `url(#${prefix}${found.kind})` : paper}
              stroke={ink}
              strokeWidth={1.2}
            />
            <Text
              x={x + 6}
              y={up < 0 ? end - 3 : end + fontSize - 1}
              fontSize={fontSize - 1}
              fill={soft}
              textAnchor="middle"
              fontFamily="Barlow Condensed"
              fontWeight="600"
            >
              {clockHour(branch.bearingDeg, twelveBearingDeg)}
            </Text>
          </G>
        );
      })}
    </G>
  );
}

function isLeftOf(branch: Limb, limb: Limb): boolean {
  return (((branch.bearingDeg - limb.bearingDeg) % 360) + 360) % 360 > 180;
}

function Rings({ stretch, window, scale }: { stretch: TapeStretch; window: Window; scale: TapeScale }) {
  const { soft } = usePalette();
  const { limb, offsetCm, fromU, toU } = stretch;
  return (
    <G>
      {(limb.yearMarksCm ?? []).map((mark) => {
        const u = mark - offsetCm;
        if (!within(window, u) || u < fromU || u > toU) return null;
        const half = scale.half(diameterMmAt(limb, mark));
        return (
          <Line
            key={mark}
            x1={scale.x(u)}
            x2={scale.x(u)}
            y1={scale.rows.wood - half}
            y2={scale.rows.wood + half}
            stroke={soft}
            strokeWidth={1}
          />
        );
      })}
    </G>
  );
}

interface BudsProps {
  stretch: TapeStretch;
  window: Window;
  scale: TapeScale;
  fontSize: number;
}

const BUD_APART_PX = 5;

function Buds({ stretch, window, scale, fontSize }: BudsProps) {
  const { limb, offsetCm, fromU, toU } = stretch;
  if (scale.pxPerCm * 6 < BUD_APART_PX) return null;
  return (
    <G>
      {(limb.buds ?? []).map((bud) => {
        const u = bud.atCm - offsetCm;
        if (!within(window, u) || u < fromU || u > toU) return null;
        const half = scale.half(diameterMmAt(limb, bud.atCm));
        return (
          <BudMark
            key={`${bud.atCm}-${bud.points}`}
            bud={bud}
            x={scale.x(u)}
            y={scale.rows.wood}
            half={half}
            fontSize={fontSize}
          />
        );
      })}
    </G>
  );
}

/**
 * The apex points the way the bud does: up, down, along to the tip, back to the base; sideways buds carry L or R.
 * Flower buds are round, dead ones hollow.
 */
export function BudMark({
  bud,
  x,
  y,
  half,
  fontSize,
}: {
  bud: Bud;
  x: number;
  y: number;
  half: number;
  fontSize: number;
}) {
  const { leaf, dead, paper, ochre } = usePalette();
  const below = bud.points === 'under' || bud.points === 'right';
  const edge = y + (below ? half : -half);
  const out = below ? 1 : -1;
  const ink = bud.live ? (bud.kind === 'flower' || bud.kind === 'mixed' ? ochre : leaf) : dead;
  const fill = bud.live ? ink : paper;
  const shape = { stroke: ink, strokeWidth: 1.3, fill };
  if (bud.points === 'left' || bud.points === 'right') {
    return (
      <Text
        x={x}
        y={below ? edge + fontSize - 3 : edge - 2}
        fontSize={fontSize - 3}
        fill={ink}
        textAnchor="middle"
        fontFamily="Barlow Condensed"
        fontWeight="600"
      >
        {bud.points === 'left' ? 'L' : 'R'}
      </Text>
    );
  }
  if (bud.kind === 'flower' || bud.kind === 'mixed') {
    return <Path d={`M${x - 4} ${edge + out * 5}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`} {...shape} />;
  }
  if (bud.points === 'out')
    return <Path d={`M${x - 4} ${edge - 8.5}L${x + 5} ${edge - 4.5}L${x - 4} ${edge - 0.5}Z`} {...shape} />;
  if (bud.points === 'in')
    return <Path d={`M${x + 4} ${edge - 8.5}L${x - 5} ${edge - 4.5}L${x + 4} ${edge - 0.5}Z`} {...shape} />;
  return <Path d={`M${x - 4.5} ${edge}H${x + 4.5}L${x} ${edge + out * 9}Z`} {...shape} />;
}
