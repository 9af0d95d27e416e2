import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { placeOf } from "./RelationsSection";
import { relationsOptions } from "./relationQueries";

const MOST = 2;

/** Those who act for the person, at the head of his file. */
export function RelationsInHead({ fileId }: { fileId: string }) {
  const relations = useQuery(relationsOptions(fileId)).data ?? [];
  const acting = relations.filter((r) => !r.reverse && ["GUARDIAN", "PAYER"].includes(r.kind));
  return acting.slice(0, MOST).map((relation) => (
    <span key={relation.id}>
      {relation.words} <Link to={placeOf(relation)}>{relation.name}</Link>
    </span>
  ));
}
