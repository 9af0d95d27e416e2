import { askAt } from "../../../api/askAt";
import type { Shape } from "../../../api/client";

export type Turn = Shape<"TurnAnswer">;

/** Where a turn is taken: with an account, by a link that was sent, or at the desk on a screen that many use. */
export type Door = { base: string; atDesk?: boolean };

export const byAccount = (turnId: string): Door => ({ base: `/api/my-signatures/${turnId}` });
export const atDesk = (turnId: string): Door => ({ base: `/api/desk-turns/${turnId}`, atDesk: true });
export const byLink = (token: string): Door => ({ base: `/api/sign/${token}` });

/** Asks at a door. @throws Problem with the words of the refusal */
export const ask = <T = Turn>(door: Door, path: string, body?: unknown) =>
  askAt<T>(`${door.base}${path}`, body);
