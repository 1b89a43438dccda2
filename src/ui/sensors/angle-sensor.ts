/** A source of the angle at which a device lies, degrees from level, nose up positive. Returns how to stop it. */
export type AngleSensor = (onAngle: (angleDeg: number) => void) => () => void;

/** The browser's own sensor: how far the phone's long side is raised (DeviceOrientationEvent, beta). Silent on devices without one. */
export const phoneAngle: AngleSensor = (onAngle) => {
  const listen = (event: DeviceOrientationEvent) => {
    if (event.beta !== null) onAngle(event.beta);
  };
  window.addEventListener("deviceorientation", listen);
  return () => window.removeEventListener("deviceorientation", listen);
};

/** Some browsers want to be asked first, from a tap. True when the sensor may be read. */
export async function askForAngle(): Promise<boolean> {
  const { requestPermission } = (window.DeviceOrientationEvent ?? {}) as { requestPermission?: () => Promise<string> };
  return requestPermission ? (await requestPermission()) === "granted" : true;
}

/** A made-up phone for trying it out without one: lies still at an angle, with a hand's tremble that comes round every second. */
export function simulatedAngle(angleDeg: number): AngleSensor {
  return (onAngle) => {
    let tick = 0;
    const timer = setInterval(() => onAngle(angleDeg + 0.3 * Math.sin(tick++)), 100);
    return () => clearInterval(timer);
  };
}
