import { firstSettings } from "../flight";
import { LiveTape, proposedExpo, readTape, requiredColumns, throttleUse } from ".";
import { rowsOf } from "./testing/rows";

describe("a reaction", () => {
  /** A radio at 100 rows a second over a line of 20 ms, with a stick that moves at a moment. */
  const radio = (movesS: number, to = 0.4) => {
    const tape = new LiveTape({ rates: firstSettings.rates, tiltDeg: 20 });
    tape.take(requiredColumns.join(","), 0);
    for (let i = 0; i < 500; i++) {
      const timeS = i / 100;
      const stick = timeS >= movesS ? Math.min(to, 6 * (timeS - movesS)) : 0.01 * Math.sin(i);
      tape.take([timeS, stick, 0.02, 0, 0.3, 0, 0, 0].join(","), 5000 + 1000 * timeS + 20);
    }
    return tape;
  };

  it("is the time from the call to the first stick that moves, with the delay of the line", () => {
    const answered = radio(2.42).reactionS(5000 + 2000)!;
    expect(answered).toBeGreaterThan(0.44);
    expect(answered).toBeLessThan(0.47);
  });

  it("is none where nobody moves, the hand only trembles, or it moved before it can have heard", () => {
    expect(radio(9).reactionS(7000)).toBeNull();
    expect(radio(2.3, 0.06).reactionS(7000)).toBeNull();
    expect(radio(2.01).reactionS(7000)).toBeNull();
    expect(radio(2.4).reactionS(4000)).toBeNull();
  });
});

describe("where the throttle stands", () => {
  const flying = (swing: number) =>
    readTape(rowsOf(100, 40, (t) => [0, 0, 0, t < 5 ? 0 : 0.4 + swing * Math.sin(t), 0, 0, 0]));

  it("is told by tenths and by its middle half: of a sine its swing over √2 to either side", () => {
    const { tenths, middleHalf } = throttleUse(flying(0.2))!;
    expect(tenths.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
    expect(tenths[0] + tenths[1] + tenths[6] + tenths[9]).toBeLessThan(0.02);
    expect(middleHalf[0]).toBeCloseTo(0.4 - 0.2 / Math.SQRT2, 1);
    expect(middleHalf[1]).toBeCloseTo(0.4 + 0.2 / Math.SQRT2, 1);
    expect(throttleUse(readTape(rowsOf(100, 5, () => [0, 0, 0, 0, 0, 0, 0])))).toBeNull();
  });

  it("asks for a softer curve the less of the stick is used", () => {
    const expos = [0.03, 0.1, 0.17, 0.35].map((swing) => proposedExpo(throttleUse(flying(swing))!).expo);
    expect(expos).toEqual([0.8, 0.6, 0.4, 0.2]);
  });
});
