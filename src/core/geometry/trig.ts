/**
 * Sine, cosine and arc tangent that give the same bits in every JavaScript engine. The engines' own differ
 * in the last bit, and one bit is enough to make two people's frameworks disagree.
 *
 * Polynomials: FDLIBM 5.3 (`k_sin.c`, `k_cos.c`, `s_atan.c`, Sun Microsystems, freely distributable).
 * Angles are degrees, so the reduction to ±45° is exact and quarter turns give exact 0 and ±1.
 */

const DEG = 0.017453292519943295;

function kernelSin(x: number): number {
  const z = x * x;
  const r =
    8.33333333332248946124e-3 +
    z *
      (-1.98412698298579493134e-4 +
        z * (2.75573137070700676789e-6 + z * (-2.50507602534068634195e-8 + z * 1.58969099521155010221e-10)));
  return x + z * x * (-1.66666666666666324348e-1 + z * r);
}

function kernelCos(x: number): number {
  const z = x * x;
  const r =
    z *
    (4.16666666666666019037e-2 +
      z *
        (-1.38888888888741095749e-3 +
          z *
            (2.48015872894767294178e-5 +
              z * (-2.75573143513906633035e-7 + z * (2.0875723212981748279e-9 + z * -1.13596475577881948265e-11)))));
  return 1 - (0.5 * z - z * r);
}

/** Quarter turns and the rest in −45..45 degrees. */
function reduce(degrees: number): [quarter: number, rest: number] {
  const turn = degrees % 360;
  const quarter = Math.round(turn / 90);
  return [((quarter % 4) + 4) % 4, turn - quarter * 90];
}

/** Sine of an angle in degrees. */
export function sinDeg(degrees: number): number {
  const [quarter, rest] = reduce(degrees);
  const x = rest * DEG;
  if (quarter === 0) return kernelSin(x);
  if (quarter === 1) return kernelCos(x);
  return quarter === 2 ? 0 - kernelSin(x) : 0 - kernelCos(x);
}

/** Cosine of an angle in degrees. */
export function cosDeg(degrees: number): number {
  return sinDeg((degrees % 360) + 90);
}

const ATAN_HI = [4.63647609000806093515e-1, 7.85398163397448278999e-1, 9.82793723247329054082e-1, 1.570796326794896558];
const ATAN_LO = [
  2.26987774529616870924e-17, 3.06161699786838301793e-17, 1.39033110312309984516e-17, 6.12323399573676603587e-17,
];
const AT = [
  3.33333333333329318027e-1, -1.99999999998764832476e-1, 1.42857142725034663711e-1, -1.1111110405462355788e-1,
  9.09088713343650656196e-2, -7.69187620504482999495e-2, 6.66107313738753120669e-2, -5.83357013379057348645e-2,
  4.97687799461593236017e-2, -3.6531572744216915527e-2, 1.62858201153657823623e-2,
];

function atan(value: number): number {
  const ax = Math.abs(value);
  let x = ax;
  let id = -1;
  if (ax >= 2.4375) [id, x] = [3, -1 / ax];
  else if (ax >= 1.1875) [id, x] = [2, (ax - 1.5) / (1 + 1.5 * ax)];
  else if (ax >= 0.6875) [id, x] = [1, (ax - 1) / (ax + 1)];
  else if (ax >= 0.4375) [id, x] = [0, (2 * ax - 1) / (2 + ax)];
  const z = x * x;
  const w = z * z;
  const s1 = z * (AT[0]! + w * (AT[2]! + w * (AT[4]! + w * (AT[6]! + w * (AT[8]! + w * AT[10]!)))));
  const s2 = w * (AT[1]! + w * (AT[3]! + w * (AT[5]! + w * (AT[7]! + w * AT[9]!))));
  const result = id < 0 ? x - x * (s1 + s2) : ATAN_HI[id]! - (x * (s1 + s2) - ATAN_LO[id]! - x);
  return value < 0 ? -result : result;
}

/** Direction of the vector (x, y) in degrees, −180 < angle ≤ 180, counter-clockwise from the x axis; 0 for none. */
export function directionDeg(y: number, x: number): number {
  if (y === 0) return x < 0 ? 180 : 0;
  if (x === 0) return y > 0 ? 90 : -90;
  const base = atan(y / x) / DEG;
  if (x > 0) return base;
  return y > 0 ? base + 180 : base - 180;
}
