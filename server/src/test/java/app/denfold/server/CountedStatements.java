package app.denfold.server;

import java.util.List;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.NoOpQueryExecutionListener;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;

/** Counts the SQL statements that a thread executes, without those by which its session is found and kept. */
@TestConfiguration
class CountedStatements implements BeanPostProcessor {

    private static final ThreadLocal<Integer> COUNT = ThreadLocal.withInitial(() -> 0);

    interface Work {
        void run() throws Exception;
    }

    /** How many statements this thread executes while it does the work. */
    static int during(Work work) throws Exception {
        int before = COUNT.get();
        work.run();
        return COUNT.get() - before;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source
                ? ProxyDataSourceBuilder.create(source).listener(new Counting()).build()
                : bean;
    }

    private static final class Counting extends NoOpQueryExecutionListener {
        @Override
        public void beforeQuery(ExecutionInfo execution, List<QueryInfo> queries) {
            if (queries.stream().noneMatch(q -> q.getQuery().contains("SPRING_SESSION"))) {
                COUNT.set(COUNT.get() + 1);
            }
        }
    }
}
