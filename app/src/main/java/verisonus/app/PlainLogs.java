package verisonus.app;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.encoder.PatternLayoutEncoder;
import ch.qos.logback.classic.spi.Configurator;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.ConsoleAppender;
import ch.qos.logback.core.spi.ContextAwareBase;
import ch.qos.logback.core.status.NopStatusListener;

/** Warnings in one line on standard error, set up without a file that would have to be found and read at each start. */
public final class PlainLogs extends ContextAwareBase implements Configurator {
    @Override
    public ExecutionStatus configure(LoggerContext context) {
        context.getStatusManager().add(new NopStatusListener());
        PatternLayoutEncoder line = new PatternLayoutEncoder();
        line.setContext(context);
        line.setPattern("%level %logger{0}: %msg%n");
        line.start();
        ConsoleAppender<ILoggingEvent> err = new ConsoleAppender<>();
        err.setContext(context);
        err.setTarget("System.err");
        err.setEncoder(line);
        err.start();
        Logger root = context.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        root.setLevel(Level.WARN);
        root.addAppender(err);
        return ExecutionStatus.DO_NOT_INVOKE_NEXT_IF_ANY;
    }
}
