package rovek.server;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.ExecutionInfo;
import net.ttddyy.dsproxy.QueryInfo;
import net.ttddyy.dsproxy.listener.QueryExecutionListener;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;

/** Remembers every statement that requests send to the database, while somebody counts them. */
final class CountedStatements implements BeanPostProcessor, QueryExecutionListener {

    private static final String OF_REQUESTS = "http-nio";

    private final List<String> sent = new CopyOnWriteArrayList<>();
    private volatile boolean isCounting;

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source
                ? ProxyDataSourceBuilder.create(source).listener(this).build()
                : bean;
    }

    @Override
    public void beforeQuery(ExecutionInfo execution, List<QueryInfo> queries) {
        if (isCounting && Thread.currentThread().getName().startsWith(OF_REQUESTS)) {
            queries.forEach(query -> sent.add(query.getQuery()));
        }
    }

    @Override
    public void afterQuery(ExecutionInfo execution, List<QueryInfo> queries) {
        // what was sent is known before
    }

    /** What a piece of work sends. */
    List<String> of(Runnable work) {
        sent.clear();
        isCounting = true;
        try {
            work.run();
        } finally {
            isCounting = false;
        }
        return List.copyOf(sent);
    }
}
