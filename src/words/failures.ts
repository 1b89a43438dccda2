import type { Failure } from "@/core";

/** What was not clean about a flight, after its name: "stops short". */
export function failureWords(failure: Failure): string {
  switch (failure.kind) {
    case "ground":
      return "hits the ground";
    case "obstacle":
      return `flies into the ${failure.obstacle}`;
    case "stuck":
      return `"${failure.phase}" never finishes`;
    case "short":
      return "stops short";
    case "past":
      return "overshoots";
    case "not-upright":
      return "does not end upright";
    case "height-band":
      return "leaves its height";
    case "end-height":
      return "ends at another height";
    case "view":
      return "takes the view off its path";
    case "heading":
      return "ends facing another way";
    case "horizon":
      return "lets the horizon lean";
    case "line":
      return "ends off its line";
    case "bounce":
      return "swings back";
    case "round":
      return "is not round";
    case "circle":
      return "does not keep its circle";
    case "spot":
      return "misses the spot";
    case "throttle-closed":
      return "has throttle on upside down";
    case "in-picture":
      return "loses what it looks at";
  }
}
