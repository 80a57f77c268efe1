package org.morphotera.server.web;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/** Lets a filter leave the rest of a body unread; the container would wait for it before it takes the next request. */
class Unread extends ValveBase {

    /** Name of the request's attribute that does it when it is run. */
    static final String LEAVE = Unread.class.getName();

    Unread() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        Runnable leave = () -> request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        request.setAttribute(LEAVE, leave);
        getNext().invoke(request, response);
    }
}
