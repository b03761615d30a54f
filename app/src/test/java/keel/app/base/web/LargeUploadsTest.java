package keel.app.base.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;

/** What is large is refused before anybody reads it, unless it is a sliced file from somebody who is signed in. */
class LargeUploadsTest {

    private static final long LARGE = 200_000_000;

    private static MockHttpServletRequest form(String path, long bytes) {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", path) {
            @Override
            public long getContentLengthLong() {
                return bytes;
            }
        };
        request.setContentType("multipart/form-data; boundary=x");
        return request;
    }

    private static int status(MockHttpServletRequest request) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        new LargeUploads().doFilter(request, response, new MockFilterChain());
        return response.getStatus();
    }

    private static void signIn(MockHttpServletRequest request) {
        request.getSession().setAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY, "somebody");
    }

    @Test
    void onlySlicedFilesMayBeLargeAndOnlyFromSomebodyWhoIsKnown() throws Exception {
        assertThat(status(form("/files", 1000))).isEqualTo(200);
        assertThat(status(form("/files", LARGE))).as("nobody signed in").isEqualTo(413);
        MockHttpServletRequest visitor = form("/files", LARGE);
        visitor.getSession();
        assertThat(status(visitor)).as("who only looked at the door").isEqualTo(413);
        MockHttpServletRequest known = form("/files", LARGE);
        signIn(known);
        assertThat(status(known)).isEqualTo(200);
        MockHttpServletRequest photo = form("/failures/1/photos", LARGE);
        signIn(photo);
        assertThat(status(photo)).isEqualTo(413);
        assertThat(status(form("/api/v1/failures/1/photos", LARGE))).isEqualTo(413);
        MockHttpServletRequest program = form("/api/v1/files/check", LARGE);
        program.addHeader("Authorization", "Bearer keel_x");
        assertThat(status(program)).isEqualTo(200);
    }

    @Test
    void whoeverDoesNotSayHowMuchComesIsRefusedWhereLittleMayCome() throws Exception {
        MockHttpServletRequest unsaid = form("/failures/1/photos", -1);
        unsaid.addHeader("Transfer-Encoding", "chunked");
        assertThat(status(unsaid)).isEqualTo(413);
        MockHttpServletRequest json = new MockHttpServletRequest("POST", "/api/v1/runs");
        json.setContentType("application/json");
        json.addHeader("Transfer-Encoding", "chunked");
        assertThat(status(json)).as("others are limited elsewhere").isEqualTo(200);
    }
}
