import { createContext, useContext, type ReactNode } from 'react';

/** Whether what stands inside may be changed by whoever is signed in: fields go by it, and can only be read otherwise. */
export const EditingContext = createContext(true);

export const useMayEdit = (): boolean => useContext(EditingContext);

/** Shown only to whoever may change what stands here. */
export function EditOnly({ children }: { readonly children: ReactNode }) {
  return useMayEdit() ? children : null;
}
