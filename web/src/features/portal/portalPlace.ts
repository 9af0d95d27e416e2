import { createContext, useContext } from "react";

/** Where a portal is shown: to whom it belongs, or within the practice's own pages. */
export type PortalPlace = {
  /** Address under which its pages are. */
  path: string;
  /** Without the head that the practice's own pages have already. */
  isWithin: boolean;
  /** Only looked at, by the practice. */
  isLookedAt: boolean;
};

export const PortalPlaceContext = createContext<PortalPlace>({
  path: "",
  isWithin: false,
  isLookedAt: false,
});

export const usePortalPlace = () => useContext(PortalPlaceContext);
