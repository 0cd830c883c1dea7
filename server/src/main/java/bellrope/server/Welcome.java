package bellrope.server;

import bellrope.format.json.Bundle;
import bellrope.format.json.Demo;
import bellrope.server.store.ProjectStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ApplicationListener;
import org.springframework.stereotype.Component;

/** Puts a project into an empty database and prints the address once the server is ready. */
@Component
class Welcome implements ApplicationListener<ApplicationReadyEvent> {
    private static final Logger LOG = LoggerFactory.getLogger(Welcome.class);

    private final ProjectStore store;
    private final boolean demo;
    private final String address;

    Welcome(ProjectStore store, @Value("${bellrope.demo}") boolean demo, @Value("${server.address}") String address) {
        this.store = store;
        this.demo = demo;
        this.address = address;
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent event) {
        if (store.all().isEmpty()) {
            if (demo) {
                // At once: whoever asks already must not see it half made.
                store.create(Bundle.read(Demo.bytes()).value().orElseThrow());
            } else {
                store.create("Untitled");
            }
        }
        if (event.getApplicationContext() instanceof WebServerApplicationContext context) {
            int port = context.getWebServer().getPort();
            LOG.info("Bellrope is ready at http://{}:{}/", address, port);
        }
    }
}
