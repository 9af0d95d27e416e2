import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

export const calendarsOptions = queryOptions({
  queryKey: ["calendars"],
  queryFn: () => answer(api.GET("/api/calendars")),
});
