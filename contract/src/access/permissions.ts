/** Who somebody is in a house, from most to least they may do. */
export const ROLES = ['manager', 'hand', 'oven', 'viewer'] as const;

export type Role = (typeof ROLES)[number];

/**
 * What can be done: see the house; mark work as done; make lots and weigh; sell and count what is left;
 * plan services and work; write the book; look after the crew.
 */
export const PERMISSIONS = ['see', 'mark', 'make', 'sell', 'plan', 'book', 'crew'] as const;

export type Permission = (typeof PERMISSIONS)[number];

/** What each role may do. The server goes by it; pages show only what can be done. */
export const ROLE_PERMISSIONS: Readonly<Record<Role, readonly Permission[]>> = {
  manager: PERMISSIONS,
  hand: ['see', 'mark', 'make'],
  oven: ['see', 'mark', 'sell'],
  viewer: ['see'],
};

/** Whether a role may do something. */
export const hasPermission = (role: Role, permission: Permission): boolean =>
  ROLE_PERMISSIONS[role].includes(permission);
