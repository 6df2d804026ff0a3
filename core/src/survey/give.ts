// How far off is what somebody says? One standard deviation each. All of it common practice, no source.

/** Of a distance to the stem, paced or taped. */
export const AWAY_SHARE = 0.05;
/** Of the height of the eyes, and so of a lens or a phone before them, on level ground. */
export const EYE_CM_GIVE = 5;
/** Of a whole hour: up to 15° beside the limb. */
export const HOUR_DEG_GIVE = 10;
/** Whoever holds a phone before the face holds its lens so much lower than the eyes. */
export const LENS_BELOW_EYES_CM = 10;
/** A phone’s plain lens as on 35-mm film, where the photo does not say. */
export const PLAIN_MM35 = 26;
