import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api, type Shape } from "../../api/client";

export type PlanDetails = Shape<"PlanDetails">;
export type PlanStep = Shape<"PlanStepDetails">;
export type Ahead = Shape<"AheadAnswer">;
export type AheadDay = Shape<"DayAnswer">;
export type PlannedMail = Shape<"PlannedMail">;
export type Telling = Shape<"TellingAnswer">;
export type Words = Shape<"WordsOfNoticeAnswer">;

/** How many days ahead are shown. */
export const DAYS_AHEAD = 28;

export const aheadOptions = queryOptions({
  queryKey: ["chasing", "ahead"],
  queryFn: () => answer(api.GET("/api/planned-notices", { params: { query: { days: DAYS_AHEAD } } })),
});

export const aheadLetterOptions = (address: string, day: string) =>
  queryOptions({
    queryKey: ["chasing", "letter", address, day],
    queryFn: () => answer(api.GET("/api/planned-notices/letter", { params: { query: { address, day } } })),
  });

export const chasedOptions = queryOptions({
  queryKey: ["chasing", "chased"],
  queryFn: () => answer(api.GET("/api/chased")),
  refetchInterval: 15_000,
});

export const plansOptions = queryOptions({
  queryKey: ["chasing", "plans"],
  queryFn: () => answer(api.GET("/api/notice-plans")),
});

export const wordsOptions = queryOptions({
  queryKey: ["chasing", "words"],
  queryFn: () => answer(api.GET("/api/notice-words")),
});

export const placesOptions = queryOptions({
  queryKey: ["chasing", "places"],
  queryFn: () => answer(api.GET("/api/notice-words/places")),
  staleTime: 60_000,
});

export const sendingOptions = queryOptions({
  queryKey: ["chasing", "sending"],
  queryFn: () => answer(api.GET("/api/sending-rules")),
});

/** What would go out if a plan were so. @param id of the plan that changes; undefined for a new one */
export const supposedOptions = (id: string | undefined, plan: PlanDetails) =>
  queryOptions({
    queryKey: ["chasing", "supposed", id, plan],
    queryFn: () =>
      answer(
        api.POST("/api/notice-plans/ahead", {
          params: { query: { days: DAYS_AHEAD } },
          body: { id, plan },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const previewOptions = (id: string | undefined, plan: PlanDetails, file: string) =>
  queryOptions({
    queryKey: ["chasing", "preview", id, plan, file],
    queryFn: () =>
      answer(api.POST("/api/notice-plans/preview", { params: { query: { file } }, body: { id, plan } })),
    enabled: file !== "",
    retry: false,
  });

export const chaseStopOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "chase-stop"],
    queryFn: () => answer(api.GET("/api/files/{id}/chase-stop", { params: { path: { id: fileId } } })),
  });

export const mailAnswersOptions = (fileId: string) =>
  queryOptions({
    queryKey: ["files", fileId, "mail-answers"],
    queryFn: () => answer(api.GET("/api/files/{id}/mail-answers", { params: { path: { id: fileId } } })),
  });
