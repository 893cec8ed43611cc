package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.util.LogbackMDCAdapter;
import ch.qos.logback.core.ConsoleAppender;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

class PlainLogsTest {
    @Test
    @ResourceLock("java.lang.System.err")
    void warningsAreOneLineOnStandardErrorAndTheRestIsQuiet() {
        PrintStream err = System.err;
        ByteArrayOutputStream said = new ByteArrayOutputStream();
        System.setErr(new PrintStream(said, true, StandardCharsets.UTF_8));
        try {
            LoggerContext context = new LoggerContext();
            context.setMDCAdapter(new LogbackMDCAdapter());
            new PlainLogs().configure(context);
            context.getLogger("a.b.Studio").warn("the card is gone");
            context.getLogger("a.b.Studio").info("nobody asks");
            context.stop();
        } finally {
            System.setErr(err);
        }
        assertThat(said.toString(StandardCharsets.UTF_8))
                .isEqualTo("WARN Studio: the card is gone" + System.lineSeparator());
    }

    @Test
    void theProgramsOwnLogsAreSetUpSo() {
        LoggerContext context = (LoggerContext) LoggerFactory.getILoggerFactory();
        var root = context.getLogger(Logger.ROOT_LOGGER_NAME);
        assertThat(root.getLevel()).isEqualTo(Level.WARN);
        assertThat(root.iteratorForAppenders()).toIterable().singleElement().isInstanceOf(ConsoleAppender.class);
    }
}
