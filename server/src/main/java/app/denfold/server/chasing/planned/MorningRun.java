package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay;
import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.Plan;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.chasing.plans.SendingDays;
import app.denfold.server.chasing.plans.SendingDetails;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;

/**
 * Once a day, when the hours of mails begin, everybody is told what the plans say. Whatever breaks off is worked out anew
 * and goes on where it was, since what was queued was noted with it; run twice, the second time tells nobody.
 */
@Service
public class MorningRun {

    private static final Logger LOG = LoggerFactory.getLogger(MorningRun.class);

    /** So many mails are queued and noted together. */
    private static final int MAILS_AT_ONCE = 250;

    private final Plans plans;
    private final SendingDays days;
    private final PrepareNotices prepare;
    private final SendPlanned send;
    private final ChasingTasks tasks;
    private final PracticeCalendar calendar;
    private final PracticeSettings settings;

    MorningRun(
            Plans plans,
            SendingDays days,
            PrepareNotices prepare,
            SendPlanned send,
            ChasingTasks tasks,
            PracticeCalendar calendar,
            PracticeSettings settings) {
        this.plans = plans;
        this.days = days;
        this.prepare = prepare;
        this.send = send;
        this.tasks = tasks;
        this.calendar = calendar;
        this.settings = settings;
    }

    /** Runs when it has not yet today, within the hours of mails. What a day missed is told on the next. */
    void whenDue() {
        LocalTime now = LocalTime.ofInstant(calendar.now(), settings.zone());
        if (!days.ranOn(calendar.today()) && days.now().isOpenAt(now)) {
            run();
        }
    }

    /** Tells everybody what the plans say today. @return how many mails were queued */
    public int run() {
        LocalDate today = calendar.today();
        List<Plan> running = plans.running();
        int queued = 0;
        if (!running.isEmpty()) {
            PreparedNotices prepared = prepare.until(running, today);
            NoticeDay day = prepared.on(today);
            List<Mail> mails = day.mails();
            tasks.closeMet();
            Instant notBefore = notBefore();
            for (int i = 0; i < mails.size(); i += MAILS_AT_ONCE) {
                List<Mail> some = mails.subList(i, Math.min(mails.size(), i + MAILS_AT_ONCE));
                queued += queue(prepared, some, today, notBefore);
            }
            send.tasks(day.tasks(), today);
            LOG.info(
                    "{} notices of plans queued, {} tasks, {} left out",
                    queued,
                    day.tasks().size(),
                    day.leftOut().size());
        }
        days.noteRun(today);
        return queued;
    }

    /** All of them, or when one cannot be kept each by itself, so that it holds up no other. @return how many were */
    private int queue(PreparedNotices prepared, List<Mail> mails, LocalDate today, @Nullable Instant notBefore) {
        try {
            send.mails(prepared, mails, today, today, notBefore);
            return mails.size();
        } catch (RuntimeException failed) {
            if (mails.size() == 1) {
                LOG.error("A notice of plans could not be queued; it is tried again tomorrow", failed);
                return 0;
            }
            return mails.stream()
                    .mapToInt(m -> queue(prepared, List.of(m), today, notBefore))
                    .sum();
        }
    }

    /** What the plans will tell on each day if nothing new comes in. @param to included */
    public List<NoticeDay> ahead(LocalDate from, LocalDate to) {
        return prepare.until(plans.running(), to).ahead(from, to);
    }

    /** When it is run by hand outside the hours of mails, they wait until these begin. Null within them. */
    private @Nullable Instant notBefore() {
        SendingDetails hours = days.now();
        LocalTime now = LocalTime.ofInstant(calendar.now(), settings.zone());
        if (hours.isOpenAt(now)) {
            return null;
        }
        LocalDate day = now.isBefore(hours.opens())
                ? calendar.today()
                : hours.rules().onOrAfter(calendar.today().plusDays(1));
        return day.atTime(hours.opens()).atZone(settings.zone()).toInstant();
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> noticesOfPlans(
                ObjectProvider<MorningRun> run, @Value("${denfold.plans-interval:PT5M}") Duration every) {
            return Tasks.recurring("notices-of-plans", FixedDelay.of(every))
                    .execute((instance, context) -> run.getObject().whenDue());
        }
    }
}
