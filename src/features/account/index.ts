export { AccountScreen } from "./account-screen";
export { accountActions } from "./actions";
export { BeginScreen, SignInScreen } from "./entrance";
export { loadAccount } from "./load";
