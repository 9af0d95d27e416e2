package app.denfold.core.notices;

import java.time.LocalDate;
import java.util.List;

/**
 * What goes out on a day, and what does not though its day has come.
 *
 * @param mails at most one to each mailbox
 * @param tasks what stands in Today from then on
 */
public record NoticeDay(LocalDate day, List<Mail> mails, List<Telling> tasks, List<LeftOut> leftOut) {

    /**
     * One thing that somebody is told.
     *
     * @param planned the day of the plan
     * @param sendOn when it goes out by the rules of sending
     */
    public record Telling(
            Plan plan,
            PlanStep step,
            Turn turn,
            Watched watched,
            Recipient recipient,
            LocalDate planned,
            LocalDate sendOn) {}

    /**
     * All that one mailbox is told on the day.
     *
     * @param recipients who reads it; several where one address serves several people
     * @param tellings the most urgent first
     * @param alsoOpen what else of the same files is open, the most urgent first
     */
    public record Mail(String mailbox, List<Recipient> recipients, List<Telling> tellings, List<Watched> alsoOpen) {}

    /** @param why it does not go out on this day */
    public record LeftOut(Telling telling, Reason why) {}

    /** Why something does not go out on the day that has come. */
    public enum Reason {
        /** Nobody who is meant has an address. */
        NO_ADDRESS,
        /** Mails to the address came back. */
        UNREACHABLE,
        /** Somebody holds it. */
        HELD,
        /** Somebody stopped telling anybody about the file. */
        STOPPED,
        /** The mailbox had its mail of the day. */
        MAILED_TODAY,
        /** The mailbox had all its mails of the month. */
        MONTH_FULL,
        /** On this day no mail goes out. */
        QUIET_DAY,
        /** The words have a place for something that is not known of the person. */
        FACT_MISSING,
        /** It is no duty, and they asked to be told no more. */
        UNSUBSCRIBED
    }
}
