/** The columns of an open recording (CSV, RFC 4180) with the range that each can be in; the first eight have to be there. */
export const tapeColumns = {
  time_s: [-1e7, 1e7],
  stick_roll: [-1.05, 1.05],
  stick_pitch: [-1.05, 1.05],
  stick_yaw: [-1.05, 1.05],
  throttle: [-0.05, 1.05],
  gyro_roll_dps: [-4500, 4500],
  gyro_pitch_dps: [-4500, 4500],
  gyro_yaw_dps: [-4500, 4500],
  rate_roll_dps: [-4500, 4500],
  rate_pitch_dps: [-4500, 4500],
  rate_yaw_dps: [-4500, 4500],
  accel_x_mps2: [-500, 500],
  accel_y_mps2: [-500, 500],
  accel_z_mps2: [-500, 500],
  motor_1: [-0.05, 1.05],
  motor_2: [-0.05, 1.05],
  motor_3: [-0.05, 1.05],
  motor_4: [-0.05, 1.05],
  battery_v: [0, 100],
} as const satisfies Record<string, readonly [number, number]>;
export type TapeColumn = keyof typeof tapeColumns;

export const columnNames = Object.keys(tapeColumns) as TapeColumn[];
export const requiredColumns = columnNames.slice(0, 8);
/** Text: the mode in force. */
export const MODE_COLUMN = "mode";

/** Where a column of another program's file comes from: its name there, and value = factor · number + offset. */
export interface ColumnSource {
  readonly from: string;
  readonly factor: number;
  readonly offset: number;
}
/** How another CSV is read. */
export type TapeMapping = Readonly<Partial<Record<TapeColumn, ColumnSource>>>;
