/**
 * How long the sun is up on a day at a latitude: the driver of the tides.
 *
 * Sun's position by the low-precision formulas of Meeus, Astronomical Algorithms (2nd ed.), chapter 25
 * (0.01 degree); rise and set when the upper limb meets a sea horizon: refraction 34', semidiameter 959.63" at one
 * astronomical unit, by the day's distance (chapters 15, 25 and 55).
 */
import { clamp, type Day } from '../quantity/index.ts';

const RADIANS = Math.PI / 180;
const REFRACTION_DEG = 34 / 60;
const SEMIDIAMETER_DEG = 959.63 / 3600;
/** The declination is taken again at the moments of rise and set: near an endless day it still moves them. */
const REFINEMENTS = 4;
const DAY_OF_J2000 = 10957.5; // 2000-01-01T12:00 in days since 1970-01-01T00:00

interface Sun {
  readonly declination: number;
  /** Altitude of its centre at rise and set, radians. */
  readonly riseAltitude: number;
}

/** The sun at a moment given in days (with fraction) since 1970-01-01T00:00 UTC. */
function sunAt(daysSinceEpoch: number): Sun {
  const t = (daysSinceEpoch - DAY_OF_J2000) / 36525; // Julian centuries; UTC for TT: 70 s move the sun 0.0008 degrees
  const meanLongitude = 280.46646 + t * (36000.76983 + t * 0.0003032);
  const meanAnomaly = (357.52911 + t * (35999.05029 - t * 0.0001537)) * RADIANS;
  const centre =
    (1.914602 - t * (0.004817 + t * 0.000014)) * Math.sin(meanAnomaly) +
    (0.019993 - t * 0.000101) * Math.sin(2 * meanAnomaly) +
    0.000289 * Math.sin(3 * meanAnomaly);
  const eccentricity = 0.016708634 - t * (0.000042037 + t * 0.0000001267);
  const distanceAu =
    (1.000001018 * (1 - eccentricity ** 2)) / (1 + eccentricity * Math.cos(meanAnomaly + centre * RADIANS));
  const node = (125.04 - 1934.136 * t) * RADIANS;
  const apparentLongitude = (meanLongitude + centre - 0.00569 - 0.00478 * Math.sin(node)) * RADIANS;
  const obliquity = (23.439291 - 0.0130042 * t + 0.00256 * Math.cos(node)) * RADIANS;
  return {
    declination: Math.asin(Math.sin(obliquity) * Math.sin(apparentLongitude)),
    riseAltitude: -(REFRACTION_DEG + SEMIDIAMETER_DEG / distanceAu) * RADIANS,
  };
}

/**
 * Hours from sunrise to sunset, 0..24, on a plain day at a latitude (degrees, north positive) and a
 * longitude (degrees, east positive; it only sets the moment of local noon).
 * Midnight sun gives 24, polar night 0. Throws RangeError outside -90..90.
 */
export function dayLengthHours(day: Day, latitudeDeg: number, longitudeDeg = 0): number {
  if (!(latitudeDeg >= -90 && latitudeDeg <= 90))
    throw new RangeError(`latitudeDeg must be -90..90, got ${latitudeDeg}`);
  const phi = latitudeDeg * RADIANS;
  const noon = day + 0.5 - longitudeDeg / 360;
  const hourAngle = ({ declination, riseAltitude }: Sun): number => {
    const cosH =
      (Math.sin(riseAltitude) - Math.sin(phi) * Math.sin(declination)) / (Math.cos(phi) * Math.cos(declination));
    return Math.acos(clamp(cosH, -1, 1));
  };
  // The declination of the moment of rise and of set: near the poles it moves minutes, and near an endless day more again.
  const moment = (sign: number): number => {
    let angle = hourAngle(sunAt(noon));
    for (let i = 0; i < REFINEMENTS; i++) angle = hourAngle(sunAt(noon + (sign * angle) / (2 * Math.PI)));
    return angle;
  };
  const [rise, set] = [moment(-1), moment(1)];
  return ((rise + set) / (2 * Math.PI)) * 24;
}
