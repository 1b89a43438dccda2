import { invitationActions } from "./invitation-actions";
import { squadKeepingActions } from "./squad-actions";

export { JoinScreen } from "./join-screen";
export { loadPeople } from "./load";
export { PeopleScreen } from "./people-screen";
export const peopleActions = { ...squadKeepingActions, ...invitationActions };
