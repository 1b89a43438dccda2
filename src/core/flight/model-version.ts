/** Counted up whenever the flight model or the presets change what comes out of them, so that figures worked out before are known as such. */
export const MODEL_VERSION = 2;
