package bellrope.server;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.context.ApplicationListener;

/** The server's entry. */
@SpringBootApplication
public class BellropeApplication {
    public static void main(String[] args) {
        application().run(args);
    }

    /** Returns the application, ready to run with arguments such as {@code --server.port=0}. */
    public static SpringApplication application() {
        SpringApplication application = new SpringApplication(BellropeApplication.class);
        application.addListeners(new DataFolder());
        return application;
    }

    /** Makes the folder of the database, which SQLite does not. */
    private static final class DataFolder implements ApplicationListener<ApplicationEnvironmentPreparedEvent> {
        @Override
        public void onApplicationEvent(ApplicationEnvironmentPreparedEvent event) {
            Path file = Path.of(event.getEnvironment().getRequiredProperty("bellrope.data"));
            try {
                if (file.toAbsolutePath().getParent() != null) {
                    Files.createDirectories(file.toAbsolutePath().getParent());
                }
            } catch (IOException e) {
                throw new IllegalStateException(
                        "The folder of " + file + " cannot be made: name another file with --data", e);
            }
        }
    }
}
