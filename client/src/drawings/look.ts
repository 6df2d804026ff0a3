// How a plan lies on the screen: nearer or farther, and moved aside, never so far that it is lost.

export interface Look {
  /** Pixels for a metre. */
  scale: number;
  /** Of the upper left corner, px. */
  x: number;
  y: number;
}

interface Size {
  width: number;
  height: number;
}

/** Some of the plan stays in the middle of the screen. */
export function inView(look: Look, plan: Size, screen: Size): Look {
  const kept = (at: number, long: number, middle: number) => Math.min(middle, Math.max(middle - long, at));
  return {
    ...look,
    x: kept(look.x, plan.width * look.scale, screen.width / 2),
    y: kept(look.y, plan.height * look.scale, screen.height / 2),
  };
}

/** So many times nearer at a place of the screen: what lies there stays there. */
export function nearerAt(look: Look, scale: number, at: { x: number; y: number }): Look {
  const share = scale / look.scale;
  return { scale, x: at.x - (at.x - look.x) * share, y: at.y - (at.y - look.y) * share };
}
