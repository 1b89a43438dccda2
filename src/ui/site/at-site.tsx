"use client";

import Typography from "@mui/material/Typography";
import { obstaclesOf, standOf, type Obstacle, type SitePlan } from "@/core";
import { NumberSlider } from "../forms/number-slider";
import { compassName, counted } from "@/words";
import { Option } from "../forms/options";
import { SelectField } from "../forms/select-field";

/** A site that is drawn. */
interface DrawnSite {
  readonly id: string;
  readonly name: string;
  readonly plan: SitePlan;
}

/** What a flight has about it of a site's plan. */
export interface AtSite {
  readonly siteId: string;
  /** The line of entry, ° from north. */
  readonly headingDeg: number;
  readonly obstacles: readonly Obstacle[];
}

/** The flight begun at the site's pilot stand, or in its middle, in a direction. */
function standingAt({ id, plan }: DrawnSite, headingDeg: number): AtSite {
  const stand = standOf(plan);
  return { siteId: id, headingDeg, obstacles: obstaclesOf(plan, stand, headingDeg - plan.northDeg) };
}

/** What stands at a site of the squad, taken from its plan. */
export function AtSiteControls<Drawn extends DrawnSite>(props: {
  sites: readonly Drawn[];
  at: AtSite | null;
  onChange: (at: AtSite | null, site: Drawn | null) => void;
}) {
  const { sites, at, onChange } = props;
  if (sites.length === 0) return null;
  const site = sites.find(({ id }) => id === at?.siteId) ?? null;
  return (
    <>
      <SelectField
        fullWidth
        size="small"
        margin="dense"
        label="Flown at"
        value={site?.id ?? "none"}
        onChange={(event) => {
          const chosen = sites.find(({ id }) => id === event.target.value) ?? null;
          onChange(chosen && standingAt(chosen, at?.headingDeg ?? 0), chosen);
        }}
      >
        <Option value="none">open ground</Option>
        {sites.map(({ id, name }) => (
          <Option key={id} value={id}>
            {name}
          </Option>
        ))}
      </SelectField>
      {site && at && (
        <>
          <NumberSlider
            label={`Toward the ${compassName(at.headingDeg)}`}
            value={at.headingDeg}
            range={[0, 355]}
            step={5}
            digits={0}
            quantity="angle"
            onChange={(headingDeg) => onChange(standingAt(site, headingDeg), site)}
          />
          <Typography sx={{ fontSize: "0.8rem", color: "text.secondary" }}>
            From the pilot stand, {counted(at.obstacles.length, "thing")} of its plan in the way or beside it.
          </Typography>
        </>
      )}
    </>
  );
}
