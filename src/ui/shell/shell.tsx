"use client";

import MenuIcon from "@mui/icons-material/Menu";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { usePathname, useRouter } from "next/navigation";
import { useEffect, useState, type ReactNode } from "react";
import { Link } from "../actions/link";
import { Option } from "../forms/options";
import { SelectField } from "../forms/select-field";
import { KeysProvider } from "../keys/keys";
import { Box } from "../layout/box";
import { later } from "../loading/later";
import { useSoon } from "../loading/use-soon";
import { usePreferences } from "../theme/preferences";
import { lookNames, themeNames } from "../theme/tokens";
import { capital, unitSystems } from "@/words";
import { WhyProvider } from "../why/why";
import { AtHandProvider, useAtHand, type ShellData } from "./at-hand";
import { screensFor } from "./screens";

const MenuDrawer = later(() => import("./menu-drawer").then((part) => part.MenuDrawer));
const WaitingNote = later(() => import("./waiting-note").then((part) => part.WaitingNote));
const CommandBox = later(() => import("./command-box").then((part) => part.CommandBox));

const RAIL_WIDTH = 148;

/** The frame of every desk screen: order of work at the left, pilot and aircraft at hand on top. */
export function Shell({ data, children }: { data: ShellData; children: ReactNode }) {
  return (
    <AtHandProvider data={data}>
      <KeysProvider>
        <WhyProvider>
          <Frame>{children}</Frame>
        </WhyProvider>
      </KeysProvider>
    </AtHandProvider>
  );
}

function Frame({ children }: { children: ReactNode }) {
  const [finding, setFinding] = useState(false);
  const [menuOpen, setMenuOpen] = useState(false);
  useSoon([MenuDrawer]);
  const { hrefFor, coaches, name } = useAtHand();
  // Whoever was at the desk can begin a session where there is no network. A device that keeps nothing says so in the field.
  useEffect(() => {
    if (coaches)
      void import("../outbox/squads").then(({ takeSquadsAlong }) => takeSquadsAlong(name)).catch(() => undefined);
  }, [coaches, name]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== "k" || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      setFinding(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <Box sx={{ display: "flex", minHeight: "100dvh" }}>
      <Box
        component="a"
        href="#content"
        sx={{
          position: "absolute",
          left: -9999,
          "&:focus": { left: 8, top: 8, zIndex: 2000, bgcolor: "background.paper", p: 1 },
        }}
      >
        To the content
      </Box>
      <Box sx={{ display: { xs: "none", md: "block" }, displayPrint: "none", width: RAIL_WIDTH, flexShrink: 0 }}>
        <Box sx={{ position: "fixed", top: 0, bottom: 0, width: RAIL_WIDTH }}>
          <Rail />
        </Box>
      </Box>
      {menuOpen && (
        <MenuDrawer onClose={() => setMenuOpen(false)}>
          <Rail />
        </MenuDrawer>
      )}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box
          component="header"
          sx={(theme) => ({
            display: "flex",
            "@media print": { display: "none" },
            alignItems: "center",
            gap: { xs: 1, md: 3 },
            px: { xs: 1, md: 3 },
            py: 1,
            minHeight: 62,
            borderBottom: `1.5px solid ${theme.tokens.ink}`,
          })}
        >
          <IconButton aria-label="Menu" onClick={() => setMenuOpen(true)} sx={{ display: { md: "none" } }}>
            <MenuIcon />
          </IconButton>
          <HandPickers />
          <Box sx={{ flex: 1 }} />
          <WaitingNote />
          <Button
            variant="outlined"
            onClick={() => setFinding(true)}
            sx={{ display: { xs: "none", sm: "inline-flex" }, whiteSpace: "nowrap" }}
          >
            Search or run&nbsp;
            <span className="num" style={{ fontSize: "0.75rem", fontWeight: 400 }}>
              Ctrl K
            </span>
          </Button>
          <Button
            variant="contained"
            component={Link}
            href={hrefFor("/session")}
            sx={(theme) => ({
              bgcolor: theme.tokens.buoy,
              color: theme.tokens.buoyInk,
              flexShrink: 0,
              px: { xs: 1.5, sm: 2 },
              whiteSpace: "nowrap",
              "&:hover": { bgcolor: theme.tokens.buoyText },
            })}
          >
            {coaches ? "Start session" : "Practise"}
          </Button>
        </Box>
        <Box component="main" id="content" tabIndex={-1} sx={{ px: { xs: 2, md: 3 }, py: 2, outline: "none" }}>
          {children}
        </Box>
      </Box>
      {finding && <CommandBox open onClose={() => setFinding(false)} />}
    </Box>
  );
}

function HandPickers() {
  const { pilots, pilot, aircraft, loadId, coaches, hrefFor } = useAtHand();
  const path = usePathname();
  const router = useRouter();
  if (pilots.length === 0) return null;
  // A brief keeps its step when the pilot changes only if the address says so; otherwise it follows the pilot.
  return (
    <>
      {coaches && (
        <Picker
          label="Pilot"
          value={pilot?.id ?? ""}
          options={pilots.map(({ id, name }) => ({ id, text: name }))}
          onChange={(id) =>
            router.push(
              hrefFor(path === "/squad" || path === "/session" ? "/pilot" : path, { pilot: id, aircraft: undefined }),
            )
          }
        />
      )}
      {pilot && pilot.aircraft.length > 0 && (
        <Picker
          label="Aircraft"
          value={aircraft?.id ?? ""}
          options={pilot.aircraft.map(({ id, name, setupNumber }) => ({
            id,
            text: setupNumber === null ? `${name} · no setup` : `${name} · setup ${setupNumber}`,
          }))}
          onChange={(id) => router.push(hrefFor(path, { aircraft: id }))}
        />
      )}
      {pilot && aircraft && aircraft.loads.length > 0 && (
        <Picker
          label="Load"
          value={loadId ?? ""}
          options={[{ id: "", text: "as it is" }, ...aircraft.loads.map(({ id, name }) => ({ id, text: name }))]}
          onChange={(id) => router.push(hrefFor(path, { load: id || undefined }))}
        />
      )}
    </>
  );
}

function Picker(props: {
  label: string;
  value: string;
  options: readonly { id: string; text: string }[];
  onChange: (id: string) => void;
}) {
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography
        component="label"
        sx={{ display: "block", fontSize: "0.72rem", color: "text.secondary", lineHeight: 1.2, whiteSpace: "nowrap" }}
      >
        {props.label}
      </Typography>
      <SelectField
        look="bare"
        none="Pick one"
        value={props.value}
        onChange={(event) => props.onChange(event.target.value)}
        aria-label={props.label}
        sx={{ maxWidth: { xs: "100%", md: 260 }, "& .MuiInputBase-root": { fontWeight: 650, fontSize: "1rem" } }}
      >
        {props.options.map(({ id, text }) => (
          <Option key={id} value={id}>
            {text}
          </Option>
        ))}
      </SelectField>
    </Box>
  );
}

function Rail() {
  const { coaches } = useAtHand();
  const { work, keeping } = screensFor(coaches);
  return (
    <Box
      component="nav"
      aria-label="Order of work"
      sx={(theme) => ({
        height: "100%",
        display: "flex",
        flexDirection: "column",
        bgcolor: theme.tokens.rail,
        color: theme.tokens.railInk,
        overflowY: "auto",
      })}
    >
      <Typography sx={{ px: 2, pt: 2, pb: 2, fontSize: "1.1rem", fontWeight: 750, fontStretch: "118%" }}>
        Bathygon
      </Typography>
      <RailLinks to={work} />
      <Box sx={{ flex: 1, minHeight: 24 }} />
      <RailLinks to={keeping} />
      <DeviceSettings />
    </Box>
  );
}

function RailLinks({ to }: { to: readonly { readonly path: string; readonly name: string }[] }) {
  const { hrefFor } = useAtHand();
  const path = usePathname();
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {to.map(({ path: screen, name }) => {
        const here = path === screen || path.startsWith(`${screen}/`);
        return (
          <li key={screen}>
            <Box
              component={Link}
              href={hrefFor(screen)}
              aria-current={here ? "page" : undefined}
              sx={(theme) => ({
                display: "block",
                px: 2,
                py: 1,
                color: here && theme.themeName === "sun" ? "#000" : theme.tokens.railInk,
                textDecoration: "none",
                borderLeft: `4px solid ${here ? theme.tokens.buoy : "transparent"}`,
                bgcolor: here ? theme.tokens.railActive : "transparent",
                fontWeight: here ? 650 : 450,
                "&:hover": { textDecoration: "underline" },
              })}
            >
              {name}
            </Box>
          </li>
        );
      })}
    </Box>
  );
}

/** Who is signed in, and the look and units of this device. */
function DeviceSettings() {
  const { name } = useAtHand();
  const { theme, units, setPreference } = usePreferences();
  return (
    <Box sx={{ px: 2, pt: 1.5, pb: 2, display: "grid", gap: 1 }}>
      <Box
        component={Link}
        href="/account"
        sx={(theme) => ({
          color: theme.tokens.railInk,
          fontSize: "0.88rem",
          fontWeight: 600,
          overflowWrap: "anywhere",
        })}
      >
        {name}
      </Box>
      <RailSelect
        label="Theme"
        value={theme}
        options={themeNames.map((name) => [name, lookNames[name]])}
        onChange={(name) => setPreference({ theme: name as typeof theme })}
      />
      <RailSelect
        label="Units"
        value={units}
        options={unitSystems.map((name) => [name, capital(name)])}
        onChange={(name) => setPreference({ units: name as typeof units })}
      />
    </Box>
  );
}

function RailSelect(props: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (value: string) => void;
}) {
  return (
    <Box>
      <Typography component="span" sx={{ fontSize: "0.72rem" }}>
        {props.label}
      </Typography>
      <SelectField
        fullWidth
        size="small"
        value={props.value}
        onChange={(event) => props.onChange(event.target.value)}
        aria-label={props.label}
        sx={({ tokens }) => ({
          mt: 0.5,
          "& .MuiInputBase-root": { fontSize: "0.85rem", color: tokens.railInk, bgcolor: tokens.rail },
          "& .MuiInputBase-input": { py: 0.5 },
          "& .MuiOutlinedInput-notchedOutline": { border: `1.5px solid ${tokens.railInk}` },
        })}
      >
        {props.options.map(([value, text]) => (
          <Option key={value} value={value}>
            {text}
          </Option>
        ))}
      </SelectField>
    </Box>
  );
}
