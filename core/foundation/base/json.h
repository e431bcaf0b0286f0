// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/barrier.h"
#include "irenic/document.h"

#include "irenic/sentence.h"
#include <nlohmann/json.hpp>

namespace irenic {

using Json = nlohmann::ordered_json;

/// Reading of documented files: a member that is missing, of another type or out of range is an error, which is kept; everything after it
/// answers defaults. What the file holds beyond is left alone.
class JsonReader
{
public:
    /// @param from what to call the file
    JsonReader(const Json &json, const std::string &from, Status &status) : m_json(json), m_from(from), m_status(status) {}

    JsonReader object(const char *key) const;
    std::vector<JsonReader> array(const char *key) const;
    std::string text(const char *key) const;
    double number(const char *key, double low, double high) const;
    int whole(const char *key, int low, int high) const { return int(number(key, low, high)); }
    bool boolean(const char *key) const;
    bool has(const char *key) const { return m_json.is_object() && m_json.contains(key); }
    std::vector<std::string> texts(const char *key) const;
    std::vector<double> numbers(const char *key) const; ///< a member that is an array of numbers
    std::vector<double> values() const;                 ///< of an array of numbers; empty where it is none
    /// One of some names.
    template <class Enum, class FromName>
    Enum named(const char *key, const FromName &fromName) const
    {
        const auto found = fromName(text(key));
        if (!found)
            fail(key);
        return found.value_or(Enum{});
    }
    void fail(const char *key) const;
    void refuse(const std::string &why) const; ///< for what reads well but makes no sense
    const Status &status() const { return m_status; }

private:
    const Json *find(const char *key) const;
    const Json &m_json;
    const std::string &m_from;
    Status &m_status;
};

/// Parses a file of one of our formats and hands its members to `read`.
template <class T, class Read>
Result<T> fromDocument(const std::string &text, const std::string &from, const char *format, const char *called, int version, const Read &read)
{
    const auto wrong = [&](const std::string &why) { return Error{ErrorCode::BadParameter, sentence("%1 %2; nothing was changed.", {from, sentence(why.c_str())}), {}}; };
    const Json j = Json::parse(text, nullptr, false);
    if (!j.is_object() || j.value("format", Json()) != format)
        return wrong(sentence("is not a %1", {sentence(called)}));
    const Json v = j.value("version", Json());
    if (!v.is_number_integer() || v.get<int64_t>() < 1)
        return wrong(sentence("is a %1 without a version", {sentence(called)}));
    if (v.get<int64_t>() > version)
        return wrong(sentence("is a %1 of a later version of Irenic", {sentence(called)}));
    return behindBarrier(from, [&]() -> Result<T> {
        Status status;
        T value = read(JsonReader(j, from, status));
        if (!status)
            return status.error();
        return value;
    });
}

/// As it goes into files: on one line where `indent` is below 0. Text that is not UTF-8, which should not get so far, is marked and not thrown out of here.
std::string jsonText(const Json &json, int indent = -1);

} // namespace irenic
