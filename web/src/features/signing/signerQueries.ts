import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../../api/client";

/** Who is proposed to sign in these roles; a role for which nobody fits has no name. */
export const proposedSignersOptions = (fileId: string, roles: string[]) =>
  queryOptions({
    queryKey: ["files", fileId, "signers", roles],
    queryFn: () =>
      answer(
        api.GET("/api/files/{id}/signers", { params: { path: { id: fileId }, query: { role: roles } } }),
      ),
    enabled: fileId !== "" && roles.length > 0,
  });
