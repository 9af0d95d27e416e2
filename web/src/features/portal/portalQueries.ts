import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const portalOptions = queryOptions({
  queryKey: ["portal"],
  queryFn: () => answer(api.GET("/api/portal")),
});
