package app.denfold.server.chasing;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.concurrent.ThreadPoolTaskExecutor;

/** Threads of their own for talking to the mail server: while that is slow, nothing else waits. */
@Configuration
class MailThreads {

    static final String NAME = "mailExecutor";

    static {
        // else the mail library searches the whole class path for it, for each part of each mail
        System.setProperty("jakarta.mail.util.StreamProvider", "org.eclipse.angus.mail.util.MailStreamProvider");
    }

    @Bean(name = NAME, defaultCandidate = false)
    ThreadPoolTaskExecutor mailExecutor() {
        ThreadPoolTaskExecutor threads = new ThreadPoolTaskExecutor();
        threads.setCorePoolSize(2);
        threads.setThreadNamePrefix("mail-");
        threads.setWaitForTasksToCompleteOnShutdown(false);
        return threads;
    }
}
