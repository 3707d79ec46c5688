/** A picture as a canvas gives it: four bytes a pixel. */
export interface Pixels {
  data: Uint8ClampedArray | Uint8Array;
  width: number;
  height: number;
}

export type Place = readonly [number, number];

/** Why no points were found, and how many spots there were instead. */
export interface NotFound {
  points: null;
  why: 'nothing' | 'too-few' | 'too-many' | 'colour-everywhere' | 'no-body';
  spots: number;
}

/** What was found: the points in order, or why there are none. */
export type Found = { points: Place[]; why: null } | NotFound;

/** A round spot of one colour. */
interface Spot {
  x: number;
  y: number;
  area: number;
  hue: number;
  chroma: number;
}

/**
 * How pure a colour must be at least, in per cent of its brightness, which shadow leaves as it is: skin has some, a sticker much. The purest that
 * shows all is taken.
 */
const purities = [78, 68, 58, 48, 40];
/** How far the brightest and the darkest part of a colour must be apart at least, of 255: darker, and colour is noise. */
const leastChroma = 40;
/** Of the hues' circle. Degrees. */
const sixth = 360 / 6;
/** Neighbours whose hues differ by more are not of one spot. Degrees. */
const hueReach = 14;
/** Spots whose hues differ by more are not of one set of stickers. */
const setReach = 22;
const leastArea = 10;
/** A sticker is smaller than this share of the picture's pixels; what is larger is clothing or a wall. */
const mostShare = 0.006;
/** More than this much of the picture in the stickers' colour, and none can be told from it. */
const wallShare = 0.12;
/** What share of the box around it a round spot fills: a circle 0.785. */
const roundest = [0.6, 0.95] as const;
const mostStretched = 1.9;
/** The stickers of one set are equally large, seen from a little aside. */
const sizeReach = 2.3;

/**
 * How long the parts of a body are between ear, shoulder, hip, knee and ankle, in hundredths of body height. Drillis R, Contini R (1966), Body
 * Segment Parameters: trunk 0.288, thigh 0.245, shank 0.246; the ear some 0.13 over the shoulder (values from memory).
 */
const parts = [13, 28.8, 24.5, 24.6];
/** How far the lengths may be from that, as the mean of squared logarithms, before it is no body. */
const mostUnlike = 0.035;
/** On every exercise with a line thigh and trunk are nearly straight, and the head is not folded to the chest. Degrees. */
const leastAtHip = 120;
const leastAtShoulder = 85;

/** Finds the stickers in a picture: five along a body, put in order from ear to ankle, or two, the left one first. */
export function findStickers(picture: Pixels, wanted: 5 | 2): Found {
  let least: NotFound = { points: null, why: 'nothing', spots: 0 };
  for (const purity of purities) {
    const { spots, coloured } = spotsIn(picture, purity);
    const found = choose(spots, coloured, picture.width * picture.height, wanted);
    if (found.why === null) return found;
    const isTold = least.spots < telling || found.why === 'colour-everywhere' || found.spots >= wanted + telling;
    if (isTold && rank[found.why] > rank[least.why]) least = found;
  }
  return least;
}

/** So many spots of a pure colour are stickers, whatever few more are found among paler ones. */
const telling = 3;

/** Of several reasons the one that says most. */
const rank = { nothing: 0, 'too-few': 1, 'no-body': 2, 'too-many': 3, 'colour-everywhere': 4 };

function hueBetween(a: number, b: number): number {
  const d = Math.abs(a - b) % 360;
  return d > 180 ? 360 - d : d;
}

/** Round spots of one colour each, and how many pixels have each hue, in tens of degrees. */
function spotsIn({ data, width, height }: Pixels, least: number): { spots: Spot[]; coloured: Uint32Array } {
  const count = width * height;
  const hues = new Int16Array(count).fill(-1);
  const chromaOf = new Uint8Array(count);
  const coloured = new Uint32Array(36);
  for (let i = 0, p = 0; i < count; i++, p += 4) {
    const r = data[p] ?? 0;
    const g = data[p + 1] ?? 0;
    const b = data[p + 2] ?? 0;
    const most = r > g ? (r > b ? r : b) : g > b ? g : b;
    const chroma = most - (r < g ? (r < b ? r : b) : g < b ? g : b);
    if (chroma < leastChroma || chroma * 100 < most * least) continue;
    const hue =
      most === r
        ? (sixth * (g - b)) / chroma + 360
        : most === g
          ? (sixth * (b - r)) / chroma + 120
          : (sixth * (r - g)) / chroma + 240;
    const whole = Math.round(hue) % 360;
    hues[i] = whole;
    chromaOf[i] = chroma;
    const bin = (whole / 10) | 0;
    coloured[bin] = (coloured[bin] ?? 0) + 1;
  }
  const roots = joined(hues, width, height);
  return { spots: round(roots, hues, chromaOf, width, count), coloured };
}

/** To which pixel each coloured pixel belongs: neighbours of nearly one hue together. */
function joined(hues: Int16Array, width: number, height: number): Int32Array {
  const roots = new Int32Array(width * height);
  const root = (of: number): number => {
    let i = of;
    while (roots[i] !== i) {
      roots[i] = roots[roots[i] ?? 0] ?? 0;
      i = roots[i] ?? 0;
    }
    return i;
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      roots[i] = i;
      const hue = hues[i] ?? -1;
      if (hue < 0) continue;
      if (x > 0 && near(hues[i - 1], hue)) roots[i] = root(i - 1);
      if (y > 0 && near(hues[i - width], hue)) {
        const a = root(i);
        const b = root(i - width);
        if (a < b) roots[b] = a;
        else roots[a] = b;
      }
    }
  }
  for (let i = 0; i < roots.length; i++) roots[i] = root(i);
  return roots;
}

function near(a: number | undefined, b: number): boolean {
  return a !== undefined && a >= 0 && hueBetween(a, b) <= hueReach;
}

function round(roots: Int32Array, hues: Int16Array, chromas: Uint8Array, width: number, count: number): Spot[] {
  const size = new Map<number, number>();
  for (let i = 0; i < count; i++) {
    if ((hues[i] ?? -1) >= 0) size.set(roots[i] ?? 0, (size.get(roots[i] ?? 0) ?? 0) + 1);
  }
  const sums = new Map<
    number,
    {
      x: number;
      y: number;
      w: number;
      left: number;
      right: number;
      top: number;
      bottom: number;
      sin: number;
      cos: number;
    }
  >();
  for (const [at, pixels] of size) {
    if (pixels >= leastArea && pixels <= count * mostShare)
      sums.set(at, { x: 0, y: 0, w: 0, left: width, right: 0, top: count, bottom: 0, sin: 0, cos: 0 });
  }
  for (let i = 0; i < count; i++) {
    if ((hues[i] ?? -1) < 0) continue;
    const sum = sums.get(roots[i] ?? 0);
    if (sum === undefined) continue;
    const x = i % width;
    const y = (i / width) | 0;
    const w = chromas[i] ?? 0;
    sum.x += x * w;
    sum.y += y * w;
    sum.w += w;
    if (x < sum.left) sum.left = x;
    if (x > sum.right) sum.right = x;
    if (y < sum.top) sum.top = y;
    if (y > sum.bottom) sum.bottom = y;
    sum.sin += Math.sin(((hues[i] ?? 0) * Math.PI) / 180);
    sum.cos += Math.cos(((hues[i] ?? 0) * Math.PI) / 180);
  }
  const spots: Spot[] = [];
  for (const [at, sum] of sums) {
    const area = size.get(at) ?? 0;
    const wide = sum.right - sum.left + 1;
    const high = sum.bottom - sum.top + 1;
    const filled = area / (wide * high);
    const stretched = Math.max(wide / high, high / wide);
    if (filled < roundest[0] || filled > roundest[1] || stretched > mostStretched) continue;
    const hue = (Math.atan2(sum.sin, sum.cos) * 180) / Math.PI;
    spots.push({ x: sum.x / sum.w + 0.5, y: sum.y / sum.w + 0.5, area, hue: (hue + 360) % 360, chroma: sum.w / area });
  }
  return spots;
}

/** The spots of one set of stickers among all spots. */
function choose(spots: Spot[], coloured: Uint32Array, pixels: number, wanted: number): Found {
  let best: Found = { points: null, why: 'nothing', spots: 0 };
  let bestChroma = 0;
  for (const first of spots) {
    const set = spots.filter(
      (each) =>
        hueBetween(each.hue, first.hue) <= setReach / 2 &&
        each.area <= first.area * sizeReach &&
        first.area <= each.area * sizeReach,
    );
    const bin = Math.round(first.hue / 10) % 36;
    const ofHue = [bin + 35, bin, bin + 1].reduce((sum, each) => sum + (coloured[each % 36] ?? 0), 0);
    const found = judge(set, wanted, ofHue > pixels * wallShare);
    const chroma = set.reduce((sum, each) => sum + each.chroma, 0) / set.length;
    const isBetter =
      found.why === null
        ? best.why !== null || chroma > bestChroma
        : best.why !== null && rank[found.why] > rank[best.why];
    if (isBetter) {
      best = found;
      bestChroma = chroma;
    }
  }
  return best;
}

function judge(set: Spot[], wanted: number, isEverywhere: boolean): Found {
  const places = set.map(({ x, y }) => [x, y] as const);
  if (set.length !== wanted) {
    const why = isEverywhere ? 'colour-everywhere' : set.length > wanted ? 'too-many' : 'too-few';
    return { points: null, why, spots: set.length };
  }
  if (wanted === 2) return { points: places.sort((a, b) => a[0] - b[0]), why: null };
  const points = inOrder(places);
  return points === null ? { points: null, why: 'no-body', spots: set.length } : { points, why: null };
}

/** The order in which five places are most like ear, shoulder, hip, knee and ankle of one body; none where no order is. */
export function inOrder(places: readonly Place[]): Place[] | null {
  let best: Place[] | null = null;
  let least = mostUnlike;
  for (const order of orders(places)) {
    if (bend(order, 2) < leastAtHip || bend(order, 1) < leastAtShoulder) continue;
    const logs = parts.map((part, i) => {
      const [a, b] = [order[i], order[i + 1]];
      return a === undefined || b === undefined ? 0 : Math.log(Math.hypot(a[0] - b[0], a[1] - b[1]) / part);
    });
    const mean = logs.reduce((sum, each) => sum + each, 0) / logs.length;
    const unlike = logs.reduce((sum, each) => sum + (each - mean) ** 2, 0) / logs.length;
    if (unlike < least) {
      least = unlike;
      best = order;
    }
  }
  return best;
}

/** The angle at one place of an order between its neighbours. Degrees. */
function bend(order: readonly Place[], at: number): number {
  const [a, b, c] = [order[at - 1], order[at], order[at + 1]];
  if (a === undefined || b === undefined || c === undefined) return 0;
  const [x, y, u, v] = [a[0] - b[0], a[1] - b[1], c[0] - b[0], c[1] - b[1]];
  return (Math.atan2(Math.abs(x * v - y * u), x * u + y * v) * 180) / Math.PI;
}

function orders(places: readonly Place[]): Place[][] {
  return places.length <= 1
    ? [[...places]]
    : places.flatMap((first, i) => orders(places.filter((_, k) => k !== i)).map((rest) => [first, ...rest]));
}
