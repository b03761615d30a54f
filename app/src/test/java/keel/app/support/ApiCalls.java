package keel.app.support;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import keel.app.people.Role;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Asks the open interface as a program of the owner's would. */
public abstract class ApiCalls extends AppTest {

    @Autowired
    protected MockMvc mvc;

    @Autowired
    protected ObjectMapper json;

    protected String token;

    /** Status, media type and body of an answer. */
    protected record Answer(int status, String type, JsonNode body) {}

    @BeforeEach
    void makeToken() {
        token = shop.token(Role.OWNER);
        shop.as("keeper");
    }

    protected Answer get(String path) throws Exception {
        return answer(MockMvcRequestBuilders.get(path));
    }

    protected Answer post(String path, String body) throws Exception {
        return answer(MockMvcRequestBuilders.post(path)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body));
    }

    protected Answer answer(MockHttpServletRequestBuilder request) throws Exception {
        SecurityContextHolder.clearContext();
        MockHttpServletResponse response = mvc.perform(request.header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
        shop.as("keeper");
        String body = response.getContentAsString();
        return new Answer(
                response.getStatus(),
                response.getContentType(),
                body.isEmpty() ? json.createObjectNode() : json.readTree(body));
    }
}
