/**
 * Whose device this is now: whoever is signed in on it, by id. What it keeps of others stays hidden from them; what is
 * kept without a name is from an earlier version, and theirs.
 */
const OWNER = "tide-owner";
const LEAVING = "tide-signing-out";

export function owner(): string {
  return localStorage.getItem(OWNER) ?? "";
}

export function becomeOwner(personId: string) {
  localStorage.setItem(OWNER, personId);
}

/** Nobody's, until somebody signs in. */
export function leaveOwnerless() {
  localStorage.removeItem(OWNER);
}

/** Somebody has signed out here and the server does not know it yet: until it does, nobody is signed in. */
export function isLeaving(): boolean {
  return localStorage.getItem(LEAVING) !== null;
}

export function setLeaving(leaving: boolean) {
  if (leaving) localStorage.setItem(LEAVING, "yes");
  else localStorage.removeItem(LEAVING);
}
