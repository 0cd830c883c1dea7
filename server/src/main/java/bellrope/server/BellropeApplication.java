package bellrope.server;

import bellrope.server.store.DataFile;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.event.ApplicationFailedEvent;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ApplicationEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.context.event.ContextClosedEvent;

/** The server's entry. */
@SpringBootApplication
public class BellropeApplication {
    public static void main(String[] args) {
        try {
            application().run(args);
        } catch (RuntimeException e) {
            // What keeps the server from starting is for whoever started it, and is no matter of stack traces.
            for (Throwable cause = e; cause != null; cause = cause.getCause()) {
                if (cause instanceof DataFile.Unusable) {
                    System.err.println(cause.getMessage());
                    System.exit(2);
                }
                if (cause instanceof PortInUseException port) {
                    System.err.println("Port " + port.getPort() + " is in use. Choose another with --port.");
                    System.exit(2);
                }
            }
            throw e;
        }
    }

    /** Returns the application, ready to run with arguments such as {@code --server.port=0}. */
    public static SpringApplication application() {
        SpringApplication application = new SpringApplication(BellropeApplication.class);
        application.addListeners(new Data());
        return application;
    }

    /** Takes the data file before anything opens it, and lets go of it when all is closed or has failed. */
    private static final class Data implements ApplicationListener<ApplicationEvent> {
        private DataFile file;

        @Override
        public void onApplicationEvent(ApplicationEvent event) {
            if (event instanceof ApplicationEnvironmentPreparedEvent prepared) {
                file = DataFile.open(Path.of(prepared.getEnvironment().getRequiredProperty("bellrope.data")));
            } else if (file != null
                    && (event instanceof ApplicationFailedEvent
                            || event instanceof ContextClosedEvent closed
                                    && closed.getApplicationContext().getParent() == null)) {
                // The pool of connections is closed after this; nothing is written by then.
                file.close();
            }
        }
    }
}
