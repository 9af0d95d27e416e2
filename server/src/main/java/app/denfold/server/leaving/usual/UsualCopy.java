package app.denfold.server.leaving.usual;

import app.denfold.server.leaving.Reader;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How copies for readers of a kind usually are. */
@Entity
@Table(name = "usual_copy")
class UsualCopy {

    @Id
    @Enumerated(EnumType.STRING)
    private Reader.Kind readerKind;

    private boolean marks;
    private boolean foot;

    @SuppressWarnings("NullAway.Init")
    protected UsualCopy() {}

    Reader.Kind readerKind() {
        return readerKind;
    }

    boolean marks() {
        return marks;
    }

    boolean foot() {
        return foot;
    }

    void change(boolean toMarks, boolean toFoot) {
        this.marks = toMarks;
        this.foot = toFoot;
    }
}
