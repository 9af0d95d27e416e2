import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../../api/client";

/** Whom to ask for signatures on papers of one file. */
export const proposalOptions = (papers: string[]) =>
  queryOptions({
    queryKey: ["files", "signer-proposal", papers],
    queryFn: () => answer(api.GET("/api/signature-requests/proposal", { params: { query: { papers } } })),
    enabled: papers.length > 0,
  });
