package keel.app.floor.remind;

import java.util.Properties;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.stereotype.Component;

/** Sends mail through the shop's server; without one named, mail is kept to be looked at and goes nowhere. */
@Component
class Post {

    private static final String SECONDS = "8000";

    private final JavaMailSenderImpl sender;
    private final String from;
    private final String address;

    Post(
            @Value("${keel.mail.host:}") String host,
            @Value("${keel.mail.port:587}") int port,
            @Value("${keel.mail.user:}") String user,
            @Value("${keel.mail.password:}") String password,
            @Value("${keel.mail.from:}") String from,
            @Value("${keel.mail.tls:true}") boolean tls,
            @Value("${keel.address:}") String address) {
        this.address = address.strip().replaceAll("/+$", "");
        this.from = from.isBlank() ? user : from;
        this.sender = host.isBlank() ? null : sender(host, port, user, password, tls);
    }

    private static JavaMailSenderImpl sender(String host, int port, String user, String password, boolean tls) {
        JavaMailSenderImpl mail = new JavaMailSenderImpl();
        mail.setHost(host.strip());
        mail.setPort(port);
        Properties terms = mail.getJavaMailProperties();
        if (!user.isBlank()) {
            mail.setUsername(user);
            mail.setPassword(password);
            terms.put("mail.smtp.auth", "true");
        }
        terms.put("mail.smtp.starttls.enable", Boolean.toString(tls));
        terms.put("mail.smtp.starttls.required", Boolean.toString(tls));
        terms.put("mail.smtp.connectiontimeout", SECONDS);
        terms.put("mail.smtp.timeout", SECONDS);
        terms.put("mail.smtp.writetimeout", SECONDS);
        return mail;
    }

    boolean hasServer() {
        return sender != null;
    }

    String server() {
        return sender == null ? null : sender.getHost() + ":" + sender.getPort();
    }

    /** A page as a letter names it: whole where the shop said under which address it is reached. */
    String link(String path) {
        return address + path;
    }

    /** @throws MailException if the server does not take it, or does not answer within seconds */
    void send(String to, String subject, String text) {
        SimpleMailMessage mail = new SimpleMailMessage();
        mail.setFrom(from);
        mail.setTo(to);
        mail.setSubject(subject.replaceAll("[\\r\\n]+", " "));
        mail.setText(text);
        sender.send(mail);
    }
}
