"use client";

import Button from "@mui/material/Button";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useState, type ReactNode } from "react";
import { v7 as newId } from "uuid";
import type { ActionInput, ActionName, Squad } from "@/contract";
import type { SendResult } from "@/ui/actions/send";
import { useSend } from "@/ui/actions/use-send";
import { useUndoable } from "@/ui/actions/use-undoable";
import { SendFormLater as SendForm } from "@/ui/forms/send-form-later";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { Moment } from "@/ui/moment/moment";
import type { PeopleData } from "./load";
import { SquadRulesForm } from "./squad-rules";
import { OneTimeLink } from "./one-time-link";

interface MadeLink {
  readonly token: string;
  readonly whom: string;
}

type Act = <Name extends ActionName>(action: Name, input: ActionInput<Name>) => Promise<void>;

/** People: squads and who coaches them, pilots' own accounts, and invitations that are open. */
export function PeopleScreen({ data }: { data: PeopleData }) {
  const router = useRouter();
  const { sendAction, pending } = useSend();
  const [link, setLink] = useState<MadeLink | null>(null);
  const [adding, setAdding] = useState(false);
  const act: Act = async (action, input) => {
    if ((await sendAction(action, input)).ok) router.refresh();
  };
  const invited = (result: SendResult<"invite-coach" | "invite-pilot">, whom: string) => {
    if (!result.ok) return;
    setLink({ token: result.data.token, whom });
    router.refresh();
  };
  const inviteCoach = async (squadId: string | null, whom: string) =>
    invited(await sendAction("invite-coach", { id: newId(), squadId }), whom);
  const invitePilot = async (pilot: { id: string; name: string }) =>
    invited(await sendAction("invite-pilot", { id: newId(), pilotId: pilot.id }), pilot.name);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", gap: 2, mb: 1 }}>
        <Typography variant="h1">People</Typography>
        <Box sx={{ flex: 1 }} />
        <Button variant="outlined" onClick={() => setAdding(true)}>
          Add a squad
        </Button>
        <Button disabled={pending} onClick={() => inviteCoach(null, "a coach with a squad of their own")}>
          Invite a coach with their own squad
        </Button>
      </Box>
      {data.invitations.length > 0 && (
        <Box component="section" aria-labelledby="open-invitations" sx={{ mb: 3, maxWidth: 760 }}>
          <Typography variant="h2" id="open-invitations">
            Invitations not used yet
          </Typography>
          {data.invitations.map(({ id, says, expiresAtMs }) => (
            <Line key={id}>
              <span>
                For {says}, until <Moment atMs={expiresAtMs} show="both" />
              </span>
              <Button size="small" disabled={pending} onClick={() => act("revoke-invitation", { id })}>
                Take it back
              </Button>
            </Line>
          ))}
        </Box>
      )}
      {data.squads.map((squad) => (
        <SquadSection
          key={squad.id}
          squad={squad}
          data={data}
          pending={pending}
          act={act}
          onInviteCoach={() => inviteCoach(squad.id, `a coach for ${squad.name}`)}
          onInvitePilot={invitePilot}
        />
      ))}
      <Dialog open={adding} onClose={() => setAdding(false)} aria-labelledby="add-squad" fullWidth maxWidth="xs">
        <DialogTitle id="add-squad">Add a squad</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="add-squad"
              submit="Add"
              fields={{ name: { label: "Name of the squad", initial: "" } }}
              input={({ name }, id) => ({ id, name })}
              onDone={() => {
                setAdding(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
      <Dialog open={link !== null} onClose={() => setLink(null)} aria-labelledby="link" fullWidth maxWidth="sm">
        <DialogTitle id="link">An invitation for {link?.whom}</DialogTitle>
        <DialogContent>{link && <OneTimeLink token={link.token} />}</DialogContent>
      </Dialog>
    </>
  );
}

function SquadSection(props: {
  squad: Squad;
  data: PeopleData;
  pending: boolean;
  act: Act;
  onInviteCoach: () => void;
  onInvitePilot: (pilot: { id: string; name: string }) => void;
}) {
  const { squad, data, pending, act, onInviteCoach, onInvitePilot } = props;
  const router = useRouter();
  const [renaming, setRenaming] = useState(false);
  const undoable = useUndoable();
  const owns = ownsSquad(squad, data.coachId);
  return (
    <Box
      component="section"
      aria-label={squad.name}
      sx={(theme) => ({
        borderTop: `1.5px solid ${theme.tokens.ink}`,
        pt: 1.5,
        mb: 4,
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) minmax(0,1fr)" },
        columnGap: 5,
        rowGap: 2,
      })}
    >
      <Box sx={{ gridColumn: "1 / -1", display: "flex", gap: 2, alignItems: "baseline" }}>
        <Typography variant="h2">{squad.name}</Typography>
        {owns && (
          <>
            <Button size="small" onClick={() => setRenaming(true)}>
              Rename
            </Button>
            <Button size="small" component="a" href={`/squad-files/${squad.id}/squad.json`} download>
              Export squad
            </Button>
            <Button
              size="small"
              disabled={pending}
              onClick={() =>
                undoable(
                  "remove-squad",
                  "restore-squad",
                  squad.id,
                  `${squad.name} is in the bin for 30 days, with its pilots`,
                )
              }
            >
              Delete squad
            </Button>
          </>
        )}
      </Box>
      <Box sx={{ display: "grid", gap: 3, alignContent: "start" }}>
        <Coaches squad={squad} coachId={data.coachId} pending={pending} act={act} onInvite={onInviteCoach} />
        <SquadRulesForm key={squad.version} squad={squad} owns={owns} />
      </Box>
      <PilotAccounts
        pilots={data.pilots.filter(({ squadId }) => squadId === squad.id)}
        pending={pending}
        act={act}
        onInvite={onInvitePilot}
      />
      <Dialog open={renaming} onClose={() => setRenaming(false)} aria-labelledby="rename" fullWidth maxWidth="xs">
        <DialogTitle id="rename">Rename {squad.name}</DialogTitle>
        <DialogContent>
          <Box sx={{ pt: 1 }}>
            <SendForm
              action="rename-squad"
              submit="Rename"
              fields={{ name: { label: "Name of the squad", initial: squad.name } }}
              input={({ name }) => ({ id: squad.id, version: squad.version, name })}
              onDone={() => {
                setRenaming(false);
                router.refresh();
              }}
            />
          </Box>
        </DialogContent>
      </Dialog>
    </Box>
  );
}

const ownsSquad = ({ coaches }: Squad, coachId: string) => coaches.some(({ id, owner }) => id === coachId && owner);

/** Who coaches a squad, and what its owners may do about it. */
function Coaches(props: { squad: Squad; coachId: string; pending: boolean; act: Act; onInvite: () => void }) {
  const { squad, coachId, pending, act, onInvite } = props;
  const owns = ownsSquad(squad, coachId);
  // Whoever alone owns a squad first makes someone else an owner.
  const soleOwner = squad.coaches.filter(({ owner }) => owner).length === 1;
  return (
    <div>
      <Typography sx={{ fontWeight: 650 }}>Coaches</Typography>
      {squad.coaches.map(({ id, name, owner }) => (
        <Line key={id}>
          <span>
            <b>{name}</b>
            {owner && ", owner"}
            {id === coachId && " (you)"}
          </span>
          {!(owner && soleOwner) && (
            <span>
              {owns && (
                <Button
                  size="small"
                  disabled={pending}
                  onClick={() => act("set-owner", { squadId: squad.id, coachId: id, owner: !owner })}
                >
                  {owner ? "Owner no more" : "Make an owner"}
                </Button>
              )}
              {id === coachId ? (
                <Button size="small" disabled={pending} onClick={() => act("leave-squad", { squadId: squad.id })}>
                  Leave
                </Button>
              ) : (
                owns && (
                  <Button
                    size="small"
                    disabled={pending}
                    onClick={() => act("remove-coach", { squadId: squad.id, coachId: id })}
                  >
                    Stop sharing
                  </Button>
                )
              )}
            </span>
          )}
        </Line>
      ))}
      {owns ? (
        <Button sx={{ mt: 1 }} variant="outlined" disabled={pending} onClick={onInvite}>
          Share with another coach
        </Button>
      ) : (
        <Typography sx={{ mt: 1, fontSize: "0.88rem", color: "text.secondary" }}>
          Owners decide who else coaches this squad.
        </Typography>
      )}
    </div>
  );
}

/** Which pilots see their own record, and the ways in for those who do not. */
function PilotAccounts(props: {
  pilots: PeopleData["pilots"];
  pending: boolean;
  act: Act;
  onInvite: (pilot: { id: string; name: string }) => void;
}) {
  const { pilots, pending, act, onInvite } = props;
  return (
    <div>
      <Typography sx={{ fontWeight: 650 }}>Pilots</Typography>
      {pilots.length === 0 && <Typography color="text.secondary">None yet; add them on the squad screen.</Typography>}
      {pilots.map((pilot) => (
        <Line key={pilot.id}>
          <span>
            <b>{pilot.name}</b>
            {pilot.hasAccount ? ", can see own record" : ", no account"}
          </span>
          <span>
            <Button size="small" disabled={pending} onClick={() => onInvite(pilot)}>
              {pilot.hasAccount ? "New password" : "Invite"}
            </Button>
            {pilot.hasAccount && (
              <Button size="small" disabled={pending} onClick={() => act("close-pilot-account", { pilotId: pilot.id })}>
                Close account
              </Button>
            )}
          </span>
        </Line>
      ))}
    </div>
  );
}

function Line({ children }: { children: ReactNode }) {
  return (
    <Box
      sx={(theme) => ({
        display: "flex",
        flexWrap: "wrap",
        justifyContent: "space-between",
        alignItems: "center",
        columnGap: 2,
        minHeight: 44,
        borderBottom: `1.5px solid ${theme.tokens.rule}`,
        overflowWrap: "anywhere",
      })}
    >
      {children}
    </Box>
  );
}
