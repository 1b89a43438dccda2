import { guessMapping, readTape } from ".";

const rows = (row: (i: number) => readonly (number | string)[], delimiter = ",") =>
  Array.from({ length: 60 }, (_, i) => row(i).join(delimiter));

it("a recording of our own needs none", () => {
  const names = "time_s,stick_roll,stick_pitch,stick_yaw,throttle,gyro_roll_dps,gyro_pitch_dps,gyro_yaw_dps";
  const guess = guessMapping([names, ...rows((i) => [i / 100, 0, 0, 0, 0.3, 1, 2, 3])].join("\n"));
  expect(guess).toMatchObject({ lacking: [], unsure: [] });
  expect(Object.values(guess.mapping).every(({ factor, offset }) => factor === 1 && offset === 0)).toBe(true);
});

it.each([
  [
    "microseconds, pulses and radians",
    "time [us],stick roll,stick pitch,stick yaw,throttle,gyro roll rad,gyro pitch rad,gyro yaw rad",
    rows((i) => [4000 * i, 1750, 1500, 1250, 1300, 0.5 * Math.sin(i), 1, -1]),
  ],
  [
    "milliseconds, ±500 and degrees, with decimal commas",
    "Time ms;rc aileron;rc elevator;rc rudder;Throttle;gyro.x deg;gyro.y deg;gyro.z deg",
    rows(
      (i) => [4 * i, 250, "0,0", -250, 300, `${(28.65 * Math.sin(i)).toFixed(3)}`.replace(".", ","), "57,3", "-57,3"],
      ";",
    ),
  ],
  [
    "seconds, per cent and names of the axes alone",
    "t,roll,pitch,yaw,throttle,gyro x,gyro y,gyro z",
    rows((i) => [0.004 * i, 50, 0, -50, 30, 28.65 * Math.sin(i), 57.3, -57.3]),
  ],
])("%s are recognised, and the file is read by it", (_, names, lines) => {
  const text = [names, ...lines].join("\n");
  const guess = guessMapping(text);
  expect(guess.lacking).toEqual([]);
  const tape = readTape(text, guess.mapping);
  expect(tape.sampleHz).toBeCloseTo(250, 3);
  expect([tape.stick.roll[9], tape.stick.pitch[9], tape.stick.yaw[9]]).toEqual([0.5, 0, -0.5]);
  expect(tape.stick.throttle[9]).toBeCloseTo(0.3, 6);
  expect(tape.gyroDps.pitch[9]).toBeCloseTo(57.3, 0);
});

it("says what it did not recognise, and what it is unsure of", () => {
  const guess = guessMapping(
    ["t,a,b,gyro x,gyro y,gyro z,roll", ...rows((i) => [i / 100, 1, 2, 20, 30, 40, 0.4])].join("\n"),
  );
  expect(guess.lacking).toEqual(["stick_pitch", "stick_yaw", "throttle"]);
  expect(guess.unsure).toContain("stick_roll");
  expect(guessMapping("").lacking).toHaveLength(8);
});
