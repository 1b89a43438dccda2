import { idealAirframe, type Airframe } from "../airframe";
import { createDerivative, createStep, levelState } from ".";
import { COLUMN_STEPS, commandColumns, KEPT_EVERY } from "./testing/command-columns";
import kept from "./testing/states-before-effects.json";

it.each(commandColumns.map((column, i) => [i, column.preset] as const))(
  "with every effect off, command column %d (%s) gives the states kept before there were effects, to the last bit",
  (i) => {
    const { preset, idleAuthority, medium, commands } = commandColumns[i];
    const airframe = idealAirframe((kept.airframes as Record<string, unknown>)[preset] as Airframe);
    const step = createStep(createDerivative(airframe, medium, idleAuthority));
    const state = levelState(50, 1 / airframe.thrustToWeight);
    const states: number[][] = [];
    for (let n = 0; n < COLUMN_STEPS; n++) {
      step(state, commands.subarray(4 * n, 4 * n + 4), commands.subarray(4 * n + 4, 4 * n + 8), 1 / 500);
      if ((n + 1) % KEPT_EVERY === 0) states.push(Array.from(state.subarray(0, 17)));
    }
    expect(states).toEqual(kept.columns[i].states);
  },
);
