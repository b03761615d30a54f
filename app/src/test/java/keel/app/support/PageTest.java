package keel.app.support;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMultipartHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Pages as whoever is signed in gets them, and forms as they fill them in. */
public abstract class PageTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    /** Status, page with white space as a browser shows it, and where it led to. */
    protected record Shown(int status, String html, String to) {}

    protected String page(String path) {
        Shown shown = send(MockMvcRequestBuilders.get(path));
        assertThat(shown.status()).as(path).isEqualTo(200);
        return shown.html();
    }

    /** A page however it answers. */
    protected Shown shown(String path) {
        return send(MockMvcRequestBuilders.get(path));
    }

    /** Only how a page answers. */
    protected int status(String path) {
        return send(MockMvcRequestBuilders.get(path)).status();
    }

    /** Sends a form; fields come in pairs: name, value. */
    protected Shown form(String path, String... fields) {
        MockHttpServletRequestBuilder request =
                MockMvcRequestBuilders.post(path).with(csrf());
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        return send(request);
    }

    /** Sends a form that must be in order; answers where it led to. */
    protected String accepted(String path, String... fields) {
        Shown shown = form(path, fields);
        assertThat(shown.status()).as(path + " " + String.join(" ", fields)).isEqualTo(302);
        return shown.to();
    }

    /** Sends a form that must be refused with these words, everything typed kept; answers the page. */
    protected String refused(int status, String words, String path, String... fields) {
        Shown shown = form(path, fields);
        assertThat(shown.status()).as(path + " " + String.join(" ", fields)).isEqualTo(status);
        assertThat(shown.html()).contains(words);
        return shown.html();
    }

    /** Sends a file with a form; fields come in pairs. */
    protected MockHttpServletResponse upload(String path, String name, byte[] bytes, String... fields) {
        MockMultipartHttpServletRequestBuilder request =
                MockMvcRequestBuilders.multipart(path).file(new MockMultipartFile(name, "upload", null, bytes));
        for (int i = 0; i < fields.length; i += 2) {
            request.param(fields[i], fields[i + 1]);
        }
        request.with(csrf());
        return answer(request);
    }

    /** What a path answers, for what is no page. */
    protected MockHttpServletResponse file(String path) {
        return answer(MockMvcRequestBuilders.get(path));
    }

    private MockHttpServletResponse answer(AbstractMockHttpServletRequestBuilder<?> request) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        try {
            request.with(authentication(who));
            MvcResult result = mvc.perform(request).andReturn();
            return result.getRequest().isAsyncStarted()
                    ? mvc.perform(MockMvcRequestBuilders.asyncDispatch(result))
                            .andReturn()
                            .getResponse()
                    : result.getResponse();
        } catch (Exception e) {
            throw new AssertionError(e);
        } finally {
            SecurityContextHolder.getContext().setAuthentication(who);
        }
    }

    /** What a request of one's own is answered. */
    protected Shown answered(MockHttpServletRequestBuilder request) {
        return send(request);
    }

    private Shown send(MockHttpServletRequestBuilder request) {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        try {
            MockHttpServletResponse response =
                    mvc.perform(request.with(authentication(who))).andReturn().getResponse();
            return new Shown(response.getStatus(), asShown(response.getContentAsString()), response.getRedirectedUrl());
        } catch (Exception e) {
            throw new AssertionError(e);
        } finally {
            SecurityContextHolder.getContext().setAuthentication(who);
        }
    }

    private static String asShown(String html) {
        return html.replaceAll("\\s+", " ");
    }
}
