package org.morphotera.server.accounts.people;

/** Sends letters. The one that ships only keeps them beside the data, for whoever looks after the server to pass on. */
interface Post {

    void send(String address, String subject, String text);
}
