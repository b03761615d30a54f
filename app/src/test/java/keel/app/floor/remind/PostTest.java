package keel.app.floor.remind;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mail.MailException;

/** Mail as a real server hears it. */
class PostTest {

    private final GreenMail server = new GreenMail(new ServerSetup(0, null, ServerSetup.PROTOCOL_SMTP));

    @BeforeEach
    void start() {
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop();
    }

    private Post post(String user, String password) {
        return new Post("127.0.0.1", server.getSmtp().getPort(), user, password, "keel@saltmarsh.example", false, "");
    }

    @Test
    void itIsReadAsItWasWritten() throws Exception {
        Post post = post("", "");
        assertThat(post.hasServer()).isTrue();
        post.send("joost@saltmarsh.example", "Curlew: Look in\r\nBcc: all@saltmarsh.example", "25 °C, größer\n");
        MimeMessage read = server.getReceivedMessages()[0];
        assertThat(read.getSubject()).isEqualTo("Curlew: Look in Bcc: all@saltmarsh.example");
        assertThat(read.getAllRecipients())
                .as("no line of the subject becomes a head")
                .hasSize(1);
        assertThat(read.getFrom()[0]).hasToString("keel@saltmarsh.example");
        assertThat(read.getContent().toString().strip()).isEqualTo("25 °C, größer");
    }

    @Test
    void aServerThatKnowsNobodyOrDoesNotAnswerIsSaid() throws IOException {
        server.setUser("keel", "secret");
        post("keel", "secret").send("a@saltmarsh.example", "s", "t");
        assertThatThrownBy(() -> post("keel", "wrong").send("a@saltmarsh.example", "s", "t"))
                .isInstanceOf(MailException.class);
        int free;
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            free = socket.getLocalPort();
        }
        Post gone = new Post("127.0.0.1", free, "", "", "keel@saltmarsh.example", false, "");
        assertThatThrownBy(() -> gone.send("a@saltmarsh.example", "s", "t")).isInstanceOf(MailException.class);
    }

    @Test
    void withoutAServerThereIsNone() {
        Post none = new Post("", 587, "", "", "", true, "");
        assertThat(none.hasServer()).isFalse();
        assertThat(none.server()).isNull();
    }
}
